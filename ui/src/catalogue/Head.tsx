import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { ProblemAlert } from "../shell/ProblemAlert";
import { useBeginTicket } from "./useBeginTicket";

interface Props {
  /** A number or designation that a ticket can begin with. */
  words: string;
  children: ReactNode;
  /** What else can be done from here. */
  more?: ReactNode;
}

/** What is looked at, and the ways on from it. */
export function Head({ words, children, more }: Props) {
  const ticket = useBeginTicket(words);
  return (
    <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap", mb: 1 }}>
      <h1 style={{ margin: 0, fontSize: 26 }}>{children}</h1>
      <Box className="no-print" sx={{ ml: "auto", display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
        {more}
        <Button variant="contained" size="small" disabled={ticket.busy} onClick={ticket.begin} aria-keyshortcuts="t">Begin a ticket (t)</Button>
        <Button size="small" onClick={() => window.print()}>Print</Button>
        <Link to="/catalogue">search again</Link>
      </Box>
      {ticket.error && <ProblemAlert>{ticket.error.message}</ProblemAlert>}
    </Box>
  );
}
