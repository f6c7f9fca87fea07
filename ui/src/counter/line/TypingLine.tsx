import Box from "@mui/material/Box";
import { forwardRef, useEffect, useImperativeHandle, useMemo, useRef, useState } from "react";
import { isTyping, keys, useKeys } from "../../shell/keys";
import { field, ink, petrol, quiet } from "../../shell/theme";
import { makings, type TakeUp } from "./useTakeUp";

interface Props {
  value: string;
  said: { text: string; wrong: boolean } | null;
  onType: (text: string) => void;
  onEnter: () => void;
  onHelp: () => void;
  /** Arrow up and down: lines typed before. */
  onEarlier: () => void;
  onLater: () => void;
  /** A key that says which of two meanings is meant; answers whether it was one. */
  onKey: (key: string) => boolean;
  takeUp: TakeUp;
}

/** The one line for everything. A slash brings the typing back to it from anywhere; F1 shows what can be typed. */
export const TypingLine = forwardRef<HTMLInputElement, Props>(function TypingLine({ value, said, onType, onEnter, onHelp, onEarlier, onLater, onKey, takeUp }, ref) {
  const input = useRef<HTMLInputElement>(null);
  const [making, setMaking] = useState(false);
  useImperativeHandle(ref, () => input.current!);

  useKeys(useMemo(() => ({ help: onHelp, toLine: () => input.current?.focus() }), [onHelp]));
  useEffect(() => {
    // Wherever was clicked, what is typed next goes into the line.
    const listen = (event: KeyboardEvent) => {
      if (!isTyping(event) && goesIntoTheLine(event)) input.current?.focus();
    };
    document.addEventListener("keydown", listen);
    return () => document.removeEventListener("keydown", listen);
  }, []);

  const pressed = (event: React.KeyboardEvent) => {
    if (event.key === keys.read.key) return onEnter();
    if (onKey(event.key)) return event.preventDefault();
    if (event.key === keys.earlier.key || event.key === keys.later.key) {
      event.preventDefault();
      return event.key === keys.earlier.key ? onEarlier() : onLater();
    }
    if (event.key === keys.clear.key) {
      setMaking(false);
      return onType("");
    }
    if (making) {
      event.preventDefault();
      setMaking(false);
      takeUp.make(event.key);
    } else if (event.key === keys.make.key && value === "" && takeUp.words !== null) {
      event.preventDefault();
      setMaking(true);
    }
  };

  return (
    <Box sx={{ mb: 0.75 }}>
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
        onKeyDown={pressed}
        sx={{
          width: "100%", font: "inherit", fontSize: 20, color: ink, px: 1.75, py: 1.25,
          border: `2px solid ${petrol}`, borderRadius: 1, bgcolor: field,
          "&::placeholder": { color: quiet, opacity: 1 },
        }}
      />
      <Box id="line-help" role="status" sx={{ minHeight: 22, fontSize: 15, pt: 0.25, fontWeight: said ? 700 : 400 }}>
        {help(said, making, takeUp)}
      </Box>
    </Box>
  );
});

/** Whatever leaves a mark; the space bar and Enter belong to whatever has the focus. */
const goesIntoTheLine = (event: KeyboardEvent) => /^[\p{L}\p{N}\p{P}\p{S}]$/u.test(event.key) && event.key !== keys.toLine.key && !event.ctrlKey && !event.metaKey && !event.altKey;

function help(said: Props["said"], making: boolean, takeUp: TakeUp): string {
  if (said) return `${said.wrong ? "▸ " : ""}${said.text}`;
  const keys = makings.map((one) => `${one.key} ${one.name}`).join(", ");
  if (making) return `“${takeUp.words}” is: ${keys}. Any other key leaves it.`;
  if (takeUp.words !== null) return `Not heard: “${takeUp.words}”. Press = and then ${keys}.`;
  return "Enter reads the line. ? is not sure, an empty Enter carries on, strike, save, card. F1 shows what can be typed.";
}
