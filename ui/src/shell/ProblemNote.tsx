import type { LiveTicket } from "../ticket/useTicket";
import { ProblemAlert } from "./ProblemAlert";

/** What was wrong with the last step, shown where it was taken. */
export function ProblemNote({ ticket, where }: { ticket: LiveTicket; where: string }) {
  if (ticket.problem?.where !== where) return null;
  return <ProblemAlert>{ticket.problem.text}</ProblemAlert>;
}
