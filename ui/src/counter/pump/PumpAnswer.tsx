import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { lazy, Suspense, useCallback } from "react";
import type { TicketView } from "../../api/types";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";
import { CallLog } from "./CallLog";
import { Candidates } from "./Candidates";
import { Differences } from "./Differences";
import { Doubts } from "./Doubts";
import { NextQuestion } from "./NextQuestion";
import { NotOnFile } from "./NotOnFile";
import { OwnedPumps } from "./OwnedPumps";
import { SideBySide } from "./SideBySide";
import { ToOpen } from "./ToOpen";

const CaliperStandIn = lazy(() => import("./CaliperStandIn").then((file) => ({ default: file.CaliperStandIn })));
const OldPart = lazy(() => import("./OldPart").then((file) => ({ default: file.OldPart })));
const Photos = lazy(() => import("./Photos").then((file) => ({ default: file.Photos })));

const noPumps: string[] = [];

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  onReply: (index: number | null) => void;
  onSend: (text: string) => void;
}

export function PumpAnswer({ ticket, view, onReply, onSend }: Props) {
  const { found } = view;
  const { add } = ticket;
  const kept = Boolean(view.ticket.sighted);
  const own = useCallback(
    (designation: string) => void add("Pump", {
      kind: "answered",
      label: `their ${designation}`,
      reading: { trait: "plate", value: designation, observer: "old_invoice", heard: `their ${designation}` },
    }),
    [add],
  );
  return (
    <>
      <ProblemNote ticket={ticket} where="Pump" />
      <OwnedPumps pumps={view.order_id === null ? view.ticket.customer?.pumps ?? noPumps : noPumps} last={view.order_id === null ? view.ticket.customer?.last ?? null : null} ticket={view.id} onChoose={own} />
      <CallLog ticket={ticket} lines={view.call} />
      {found.plausible && !kept && <Doubts ticket={ticket} view={view} />}
      {view.id !== null && (!found.plausible || kept) && <NotOnFile ticket={ticket} view={view} />}
      {view.ticket.chosen && (
        <Box sx={{ mt: 1 }}>
          <strong>{view.ticket.chosen}</strong> was taken by hand.{" "}
          <Button size="small" variant="outlined" onClick={() => void add("Pump", { kind: "pump", id: null })}>Back to the leading order</Button>
        </Box>
      )}
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", sm: "minmax(0, 1fr) minmax(0, 1fr)" }, gap: 2.5, mt: 1, alignItems: "start" }}>
        {!kept && <Candidates found={found} chosen={view.pump?.id} onChoose={(one) => void add("Pump", { kind: "pump", id: one.id })} />}
        <div>
          {!kept && <NextQuestion view={view} onReply={onReply} />}
          {!kept && <ToOpen view={view} />}
          {view.order_id === null && (
            <details key={view.ticket.channel} open={view.ticket.channel === "parts"}>
              <summary>An old part in hand</summary>
              <ProblemNote ticket={ticket} where="Old part" />
              <Suspense fallback={null}><OldPart ticket={ticket} /></Suspense>
            </details>
          )}
          {view.id !== null && <Suspense fallback={null}><Photos ticket={view.id} outside={view.plan?.outside ?? found.faces.find((one) => one.pump === view.pump?.id)?.views ?? []} pump={view.pump?.id ?? null} /></Suspense>}
        </div>
      </Box>
      {!kept && !view.enough && found.readings.length > 0 && <SideBySide pictures={found.faces} />}
      {!kept && !view.enough && <Differences found={found} />}
      {view.order_id === null && <Suspense fallback={null}><CaliperStandIn onSend={onSend} /></Suspense>}
    </>
  );
}
