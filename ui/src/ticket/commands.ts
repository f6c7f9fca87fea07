/** What a line means when it is not something about the pump. */
export type Command =
  | { kind: "answer"; index: number }
  | { kind: "unsure" }
  | { kind: "carry on" }
  | { kind: "save" }
  | { kind: "card" };

/** The short lines: 1 to 6 answer the question, ? is not sure, an empty line or ok carries on. */
export function commandOf(line: string): Command | null {
  const word = line.trim().toLowerCase();
  if (/^[1-6]$/.test(word)) return { kind: "answer", index: Number(word) - 1 };
  if (word === "?") return { kind: "unsure" };
  if (word === "" || word === "ok") return { kind: "carry on" };
  if (word === "save") return { kind: "save" };
  if (word === "card") return { kind: "card" };
  return null;
}
