import Box from "@mui/material/Box";
import type { LiveTicket } from "../ticket/useTicket";
import { paper } from "./theme";

/** What was wrong with the last step, shown where it was taken. */
export function ProblemNote({ ticket, where, light = false }: { ticket: LiveTicket; where: string; light?: boolean }) {
  if (ticket.problem?.where !== where) return null;
  return <Box role="alert" sx={{ fontWeight: 700, color: light ? paper : "text.primary", my: light ? 0 : 0.5 }}>▸ {ticket.problem.text}</Box>;
}
