import { useCallback } from "react";
import { useParams } from "react-router";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { useStored } from "../ticket/useStored";
import { useTicket } from "../ticket/useTicket";
import { Counter } from "./Counter";
import { TicketHeader } from "./TicketHeader";

/** Another address is another ticket. */
export function CounterPage() {
  const { id } = useParams();
  return <OneTicket key={id ?? "new"} id={id} />;
}

/** One ticket. Its number comes into the address without a reload, so that typing goes on. */
function OneTicket({ id }: { id: string | undefined }) {
  const numbered = useCallback((number: number) => window.history.replaceState(null, "", `/tickets/${number}`), []);
  const [who, setWho] = useStored("gimlet who", "counter");
  const ticket = useTicket(id === undefined ? null : Number(id), who, numbered);

  return (
    <Page ownHelp title={ticket.view?.id ? `Ticket ${ticket.view.id}` : "New ticket"} head={ticket.view && <TicketHeader ticket={ticket} view={ticket.view} who={who} onWho={setWho} />}>
      {ticket.missing && <ProblemAlert>{ticket.missing}</ProblemAlert>}
      {ticket.view && <Counter ticket={ticket} view={ticket.view} />}
    </Page>
  );
}
