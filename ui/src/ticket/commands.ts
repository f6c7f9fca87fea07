/** What a line means when it is not something about the pump. */
export type Command =
  | { kind: "answer"; index: number }
  | { kind: "unsure" }
  | { kind: "carry on" }
  | { kind: "save"; reason: string | null }
  | { kind: "card" }
  | { kind: "stands"; reason: string }
  | { kind: "strike"; line: number | null }
  | { kind: "bring back"; line: number | null };

/**
 * The short lines. A bare figure is the number of an answer only where the open question is not answered by a figure itself.
 */
export function commandOf(line: string, figureIsButton: boolean): Command | null {
  const word = line.trim();
  if (figureIsButton && /^[1-9]$/.test(word)) return { kind: "answer", index: Number(word) - 1 };
  if (word === "?") return { kind: "unsure" };
  if (word === "" || /^ok$/i.test(word)) return { kind: "carry on" };
  if (/^card$/i.test(word)) return { kind: "card" };
  const [, verb, rest] = /^(save|stands|strike|back)\b[:,]?\s*(.*)$/i.exec(word) ?? [];
  switch (verb?.toLowerCase()) {
    case "save": return { kind: "save", reason: rest || null };
    case "stands": return { kind: "stands", reason: rest ?? "" };
    case "strike": return lineNumber(rest) ? { kind: "strike", line: numberIn(rest) } : null;
    case "back": return lineNumber(rest) ? { kind: "bring back", line: numberIn(rest) } : null;
    default: return null;
  }
}

const lineNumber = (rest: string | undefined) => /^(\d*)$/.test(rest ?? "");
const numberIn = (rest: string | undefined) => (rest ? Number(rest) : null);
