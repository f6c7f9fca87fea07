import { type ClipboardEvent, type KeyboardEvent, useState } from "react";
import { field, ink, quiet } from "../../shell/theme";
import { shown, type Value } from "./shape";

interface Props {
  label: string;
  value: Value;
  /** Taken when the field is left, or with Enter. */
  onTyped: (text: string) => Promise<boolean>;
  onPaste?: (event: ClipboardEvent<HTMLInputElement>) => void;
  onArrow?: (event: KeyboardEvent<HTMLInputElement>) => void;
  wide?: boolean;
  /** Beside others in a row. */
  small?: boolean;
  id?: string;
}

/** One value as it is typed. What was refused stays, and is said. */
export function Cell({ label, value, onTyped, onPaste, onArrow, wide, small, id }: Props) {
  const known = shown(value);
  const [typed, setTyped] = useState<string | null>(null);
  const send = () => {
    if (typed === null || typed === known) return setTyped(null);
    void onTyped(typed).then((taken) => taken && setTyped(null));
  };
  return (
    <input id={id} aria-label={label} value={typed ?? known} size={wide ? 40 : Math.max(4, Math.min(22, known.length + 1))} onChange={(event) => setTyped(event.target.value)} onBlur={send}
      onPaste={onPaste}
      onKeyDown={(event) => {
        if (event.key === "Enter") send();
        if (event.key === "Escape") setTyped(null);
        onArrow?.(event);
      }}
      style={{ font: "inherit", fontSize: 15, width: wide ? "100%" : undefined, minWidth: wide || small ? undefined : "100%", marginRight: small ? 4 : 0, padding: "3px 5px", border: `1px solid ${quiet}`, borderRadius: 3, background: field, color: ink, boxSizing: "border-box" }} />
  );
}

/** One of a few. */
export const Choice = ({ label, value, options, onTyped }: { label: string; value: Value; options: string[]; onTyped: (text: string) => Promise<boolean> }) => (
  <select aria-label={label} value={shown(value)} onChange={(event) => void onTyped(event.target.value)} style={{ font: "inherit", fontSize: 15, padding: "3px 4px" }}>
    <option value="">–</option>
    {options.map((one) => <option key={one} value={one}>{one}</option>)}
  </select>
);
