import Box from "@mui/material/Box";
import { useCallback } from "react";
import { useCustomers } from "../api/queries";
import { withReading, withStruck } from "../ticket/state";
import type { LiveTicket } from "../ticket/useTicket";
import { Candidates } from "./Candidates";
import { Differences } from "./Differences";
import { Doubts } from "./Doubts";
import { Fronts } from "./Fronts";
import { NextQuestion } from "./NextQuestion";
import { NotInCatalogue } from "./NotInCatalogue";
import { OwnedPumps } from "./OwnedPumps";
import { Readings } from "./Readings";
import type { CounterView } from "./useCounter";

const noPumps: string[] = [];

interface Props {
  ticket: LiveTicket;
  view: CounterView;
  onReply: (index: number | null) => void;
}

export function PumpAnswer({ ticket, view, onReply }: Props) {
  const { found } = view;
  const { change, state } = ticket;
  const customers = useCustomers().data;
  const pumps = customers?.find((one) => one.id === state.customer_id)?.pumps ?? noPumps;
  const own = useCallback(
    (designation: string) => change((now) => withReading(now, { trait: "plate", value: designation, observer: "old_invoice", heard: `their ${designation}` })),
    [change],
  );
  if (!found) return null;
  return (
    <>
      <OwnedPumps pumps={pumps} onChoose={own} />
      <Readings rows={ticket.state.readings} texts={found.readings} onStrike={(index) => ticket.change((state) => withStruck(state, index))} />
      <Doubts found={found} />
      {!found.plausible && <NotInCatalogue ticket={ticket} />}
      <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) minmax(0, 1fr)", gap: 2.5, mt: 1 }}>
        <Candidates
          found={found}
          chosen={view.pump?.id}
          onChoose={(one) => ticket.change((state) => ({ ...state, model: one.model, serial: one.serial_range }))}
        />
        <Box>
          <NextQuestion found={found} onReply={onReply} />
          {found.readings.length > 0 && !found.enough_to_order && <Fronts fronts={found.faces} />}
        </Box>
      </Box>
      <Differences found={found} />
    </>
  );
}
