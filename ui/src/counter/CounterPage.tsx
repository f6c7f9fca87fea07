import Box from "@mui/material/Box";
import { useCallback } from "react";
import { useParams } from "react-router";
import { TopBar } from "../shell/TopBar";
import { useTicket } from "../ticket/useTicket";
import { Counter } from "./Counter";
import { TicketHeader } from "./TicketHeader";

/** One ticket. Its number comes into the address without a reload, so that typing goes on. */
export function CounterPage() {
  const { id } = useParams();
  const numbered = useCallback((number: number) => window.history.replaceState(null, "", `/tickets/${number}`), []);
  const ticket = useTicket(id === undefined ? null : Number(id), numbered);

  return (
    <>
      <TopBar>
        <TicketHeader ticket={ticket} />
      </TopBar>
      <Box component="main" sx={{ maxWidth: 1400, mx: "auto", px: 2.5, py: 1.5 }}>
        {!ticket.loading && <Counter ticket={ticket} />}
      </Box>
    </>
  );
}
