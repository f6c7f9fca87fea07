import Box from "@mui/material/Box";
import { useCallback } from "react";
import { useParams } from "react-router";
import { TopBar } from "../shell/TopBar";
import { useStored } from "../ticket/useStored";
import { useTicket } from "../ticket/useTicket";
import { Counter } from "./Counter";
import { TicketHeader } from "./TicketHeader";

/** One ticket. Its number comes into the address without a reload, so that typing goes on. */
export function CounterPage() {
  const { id } = useParams();
  const numbered = useCallback((number: number) => window.history.replaceState(null, "", `/tickets/${number}`), []);
  const [who, setWho] = useStored("gimlet who", "counter");
  const ticket = useTicket(id === undefined ? null : Number(id), who, numbered);

  return (
    <>
      <TopBar>{ticket.view && <TicketHeader ticket={ticket} view={ticket.view} who={who} onWho={setWho} />}</TopBar>
      <Box component="main" sx={{ maxWidth: 1400, mx: "auto", px: 2.5, py: 1.5 }}>
        {ticket.missing && <p role="alert">{ticket.missing}</p>}
        {ticket.view && <Counter ticket={ticket} view={ticket.view} />}
      </Box>
    </>
  );
}
