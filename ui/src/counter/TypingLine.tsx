import Box from "@mui/material/Box";
import { forwardRef, useEffect, useImperativeHandle, useRef } from "react";
import { ink, petrol } from "../shell/theme";

interface Props {
  value: string;
  said: { text: string; wrong: boolean } | null;
  onType: (text: string) => void;
  onEnter: () => void;
}

/** The one line for everything. A slash brings the typing back to it from anywhere. */
export const TypingLine = forwardRef<HTMLInputElement, Props>(function TypingLine({ value, said, onType, onEnter }, ref) {
  const input = useRef<HTMLInputElement>(null);
  useImperativeHandle(ref, () => input.current!);

  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName);
      if (event.key !== "/" || typing) return;
      event.preventDefault();
      input.current?.focus();
    };
    document.addEventListener("keydown", listen);
    return () => document.removeEventListener("keydown", listen);
  }, []);

  return (
    <Box sx={{ mb: 1.25 }}>
      <Box
        component="input"
        ref={input}
        autoFocus
        autoComplete="off"
        spellCheck={false}
        maxLength={1000}
        aria-label="What you hear"
        aria-describedby="line-help"
        placeholder="What you hear, as it is said: 8 bolts, hex 6, 20 mm ceramic, plate K?4 20 …"
        value={value}
        onChange={(event: React.ChangeEvent<HTMLInputElement>) => onType(event.target.value)}
        onKeyDown={(event: React.KeyboardEvent) => event.key === "Enter" && onEnter()}
        sx={{
          width: "100%", font: "inherit", fontSize: 20, color: ink, px: 1.75, py: 1.25,
          border: `2px solid ${petrol}`, borderRadius: 1, bgcolor: "white",
          "&::placeholder": { color: "#5d6c70", opacity: 1 },
        }}
      />
      <Box id="line-help" role="status" sx={{ minHeight: 22, fontSize: 15, pt: 0.25, fontWeight: said ? 700 : 400 }}>
        {said
          ? `${said.wrong ? "▸ " : ""}${said.text}`
          : "Enter reads the line. 1 to 6 answers, ? is not sure, an empty Enter carries on, save, card."}
      </Box>
    </Box>
  );
});
