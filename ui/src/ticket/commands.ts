import type { components } from "../api/schema";

type LineCommand = components["schemas"]["LineCommand"];

/** What a line means when it is no word about the pump: the command, and what followed it. */
export interface Command {
  id: LineCommand["id"];
  reason: string | null;
  number: number | null;
}

/**
 * The line as one of the commands that the server knows. A bare figure is the number of an answer only where the open question is not answered by a
 * figure itself.
 */
export function commandOf(line: string, commands: LineCommand[], figureIsButton: boolean): Command | null {
  const typed = line.trim();
  const figure = figureIsButton && /^[1-9]$/.test(typed) ? Number(typed) : null;
  const [, verb = "", rest = ""] = /^([a-z]+|\?|)(?:[:,]?\s*|$)(.*)$/is.exec(typed) ?? [];
  const command = commands.find((one) => (one.takes === "answer" ? figure !== null : one.words.includes(verb.toLowerCase()) && follows(one.takes, rest)));
  if (!command) return null;
  return { id: command.id, reason: command.takes === "reason" && rest ? rest : null, number: command.takes === "line" && rest ? Number(rest) : figure };
}

const follows = (takes: LineCommand["takes"], rest: string) => takes === "reason" || (takes === "line" ? /^\d*$/.test(rest) : rest === "");
