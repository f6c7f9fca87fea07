import type { components } from "../api/schema";

type LineCommand = components["schemas"]["LineCommand"];

/** What a line means when it is no word about the pump: the command, and what followed it. */
export interface Command {
  id: LineCommand["id"];
  /** A reason or a name. */
  reason: string | null;
  number: number | null;
  /** Whether it does anything once the ticket is an order. */
  afterwards: boolean;
}

/**
 * The line as one of the commands that the server knows. A bare figure is the number of an answer only where the open question is not answered by a
 * figure itself.
 */
export function commandOf(line: string, commands: LineCommand[], figureIsButton: boolean): Command | null {
  const typed = line.trim();
  const figure = figureIsButton && /^[1-9]$/.test(typed) ? Number(typed) : null;
  for (const one of commands) {
    const rest = one.takes === "answer" ? (figure === null ? null : "") : restBehind(typed, one);
    if (rest === null || !follows(one.takes, rest)) continue;
    const said = (one.takes === "reason" || one.takes === "name") && rest ? rest : null;
    const number = one.takes === "line" && rest ? Number(rest) : figure;
    return { id: one.id, reason: said, number, afterwards: one.afterwards };
  }
  return null;
}

/** What stands behind the words of a command; null where the line does not begin with them. */
function restBehind(typed: string, { words }: LineCommand): string | null {
  for (const word of words) {
    const begins = typed.slice(0, word.length).toLowerCase() === word && !/^[a-z0-9]/i.test(typed.slice(word.length));
    if (begins && (word !== "" || typed === "")) return typed.slice(word.length).replace(/^[:,]?\s*/, "");
  }
  return null;
}

const follows = (takes: LineCommand["takes"], rest: string) => takes === "reason" || takes === "name" || (takes === "line" ? /^\d*$/.test(rest) : rest === "");
