import Box from "@mui/material/Box";
import { withStruck } from "../ticket/state";
import type { LiveTicket } from "../ticket/useTicket";
import { Candidates } from "./Candidates";
import { Differences } from "./Differences";
import { Doubts } from "./Doubts";
import { NextQuestion } from "./NextQuestion";
import { Readings } from "./Readings";
import type { CounterView } from "./useCounter";

interface Props {
  ticket: LiveTicket;
  view: CounterView;
  onReply: (index: number | null) => void;
}

export function PumpAnswer({ ticket, view, onReply }: Props) {
  const { found } = view;
  if (!found) return null;
  return (
    <>
      <Readings rows={ticket.state.readings} texts={found.readings} onStrike={(index) => ticket.change((state) => withStruck(state, index))} />
      <Doubts contradictions={found.contradictions} />
      <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)", gap: 2.5, mt: 1 }}>
        <Candidates
          found={found}
          chosen={view.pump?.id}
          onChoose={(one) => ticket.change((state) => ({ ...state, model: one.model, serial: one.serial_range }))}
        />
        <Box>
          <NextQuestion found={found} onReply={onReply} />
          <Differences found={found} />
        </Box>
      </Box>
    </>
  );
}
