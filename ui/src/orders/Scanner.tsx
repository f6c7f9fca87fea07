import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useEffect, useRef, useState } from "react";

interface Props {
  label: string;
  /** Answers what was said of the code. */
  onCode: (code: string) => Promise<{ taken: boolean; said: string } | null>;
  /** What the stand-in offers, as labels that hang there. */
  codes: string[];
}

/** A field that a keyboard-wedge scanner types into, and beside it a stand-in for the scanner: labels to press. */
export function Scanner({ label, onCode, codes }: Props) {
  const [code, setCode] = useState("");
  const [told, setTold] = useState<{ taken: boolean; said: string } | null>(null);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), [label]);
  const send = async (text: string) => {
    if (text.trim() === "") return;
    setCode("");
    setTold(await onCode(text));
    field.current?.focus();
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void send(code);
  };
  return (
    <Box sx={{ my: 1 }}>
      <Box component="form" onSubmit={submit} sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
        <TextField inputRef={field} size="small" label={label} value={code} onChange={(event) => setCode(event.target.value)} sx={{ width: 300 }} slotProps={{ htmlInput: { maxLength: 200, autoComplete: "off" } }} />
        <Box role="group" aria-label="Scanner stand-in" sx={{ display: "flex", gap: 0.5, flexWrap: "wrap", alignItems: "center", fontSize: 14 }}>
          <span>stand-in:</span>
          {codes.slice(0, 8).map((one) => <Button key={one} size="small" onClick={() => void send(one)}>{one}</Button>)}
        </Box>
      </Box>
      <Box role="status" sx={{ minHeight: 26, fontWeight: told?.taken === false ? 700 : 400 }}>
        {told && `${told.taken ? "✓" : "✗ Not taken."} ${told.said}`}
      </Box>
    </Box>
  );
}
