import Box from "@mui/material/Box";
import NativeSelect from "@mui/material/NativeSelect";
import { useState } from "react";
import { Link } from "react-router";
import { type TicketState, useTickets } from "../api/queries";
import { day } from "../shell/format";
import { Pager } from "../shell/Pager";
import { ProblemAlert } from "../shell/ProblemAlert";

/** Tickets, the open ones first of all; closed ones are found again. */
export function Tickets({ words }: { words: string }) {
  const [state, setState] = useState<TicketState>("open");
  const [page, setPage] = useState(1);
  const { data, error } = useTickets(state, words, page);
  return (
    <Box component="section" aria-label="Tickets" sx={{ mb: 2 }}>
      <Box sx={{ display: "flex", gap: 1.5, alignItems: "baseline" }}>
        <h2>Tickets</h2>
        <NativeSelect value={state} onChange={(event) => { setState(event.target.value as TicketState); setPage(1); }} inputProps={{ "aria-label": "Which tickets" }}>
          {["open", "sighted", "closed", "ordered", "any"].map((one) => <option key={one} value={one}>{one === "sighted" ? "not on file" : one}</option>)}
        </NativeSelect>
      </Box>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      <Box component="ul" sx={{ display: "flex", flexWrap: "wrap", gap: 1, listStyle: "none", m: 0, p: 0 }}>
        {data?.tickets.map((ticket) => (
          <Box component="li" key={ticket.id} sx={{ bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, px: 1.25, py: 0.75 }}>
            <Link to={`/tickets/${ticket.id}`}>ticket {ticket.id}</Link> · {state === "any" ? `${ticket.state} · ` : ""}{ticket.entries} {ticket.entries === 1 ? "entry" : "entries"} · {day(ticket.updated_at)}
            {ticket.words && <Box component="span" sx={{ display: "block", fontSize: 14, color: "text.secondary", maxWidth: 380, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>{ticket.words}</Box>}
          </Box>
        ))}
      </Box>
      {data && <Pager what={state === "any" ? "tickets" : `${state} tickets`} page={data.page} pages={data.pages} total={data.total} onPage={setPage} />}
    </Box>
  );
}
