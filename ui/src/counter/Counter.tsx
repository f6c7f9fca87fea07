import Box from "@mui/material/Box";
import { useEffect, useRef } from "react";
import type { TicketView } from "../api/types";
import type { LiveTicket } from "../ticket/useTicket";
import { AnswerStack } from "./AnswerStack";
import { CounterLine } from "./line/CounterLine";
import { useSaid } from "./line/useSaid";
import { StopList } from "./StopList";
import { Tray } from "./tray/Tray";
import { useAnswers } from "./useAnswers";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
}

const columns = { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 300px", lg: "minmax(0, 1fr) 340px" };

/** The counter: a typing line, the stack of answers, and the tray. */
export function Counter({ ticket, view }: Props) {
  const field = useRef<HTMLInputElement>(null);
  const said = useSaid(field);
  const answers = useAnswers(ticket, view, said);
  const save = async (reason: string | null, where: string) => answers.saved(await ticket.order(where, reason));

  const backToLine = () => field.current?.focus();
  /** A button that goes away with what it did leaves the hands nowhere. */
  useEffect(() => {
    if (document.activeElement === document.body) field.current?.focus();
  }, [view.last]);
  /** After a click the hands are on the keys again; whoever walks by the keyboard stays where they are. */
  const clicked = (event: React.MouseEvent) => {
    const pressed = (event.target as Element).closest("button, summary");
    if (event.detail > 0 && pressed && !pressed.closest("[role=dialog], form, [data-keeps-focus]")) requestAnimationFrame(backToLine);
  };

  return (
    <Box onClick={clicked}>
      {view.stops.length > 0 && <StopList ticket={ticket} stops={view.stops} />}
      <Box sx={{ display: "grid", gridTemplateColumns: columns, gap: 2, alignItems: "start" }}>
        <Box>
          <CounterLine ticket={ticket} view={view} answers={answers} said={said} field={field} backToLine={backToLine} />
          <AnswerStack
            ticket={ticket}
            view={view}
            open={answers.open}
            onOpen={answers.setOpen}
            onReply={(index) => { void answers.reply(index); backToLine(); }}
            onSend={(text) => { void answers.say(text); backToLine(); }}
            onSave={(reason) => void save(reason, "Hand over")}
          />
        </Box>
        <Tray ticket={ticket} view={view} onSave={(reason) => void save(reason, "tray")} />
      </Box>
    </Box>
  );
}
