import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { useVocabulary } from "../../api/queries";
import type { TicketView, TrayLine } from "../../api/types";
import { Caution } from "../../shell/Caution";
import { packs, percent, price } from "../../shell/format";
import { faint, petrol } from "../../shell/theme";
import type { LiveTicket } from "../../ticket/useTicket";
import { SaveOrder } from "./SaveOrder";
import { Small } from "../../shell/text";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  onSave: (reason: string | null) => void;
  children?: ReactNode;
}

/** What lies in the tray once an order leads: what all likely orders have, and apart from it what is still open. */
export function Tray({ ticket, view, onSave, children }: Props) {
  const { tray, plan, pump } = view;
  return (
    <Box component="aside" aria-label="Tray" sx={{ position: "sticky", top: 12, bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, p: 1.5 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline" }}>
        <h2>Tray</h2>
        <strong style={{ fontSize: 18 }}>{pump ? `${percent(pump.sure)} sure` : ""}</strong>
      </Box>
      <Sureness sure={pump?.sure ?? 0} enough={view.lacking.length === 0} />
      <Turns turns={view.turns} />
      {plan ? (
        <>
          <Lines lines={tray.certain} />
          {tray.open.length > 0 && <Open open={tray.open} certain={tray.certain.length > 0} />}
          {plan.plans[0]!.unfilled.length > 0 && <p><strong>{plan.plans[0]!.unfilled.length} not covered</strong></p>}
          <Box sx={{ display: "flex", justifyContent: "space-between", borderTop: "2px solid", mt: 0.5, pt: 0.5, fontWeight: 700 }}>
            <span>{tray.open.length > 0 ? "certain so far" : plan.plans[0]!.name}</span><span>{price(tray.price_cents)}</span>
          </Box>
          <Box sx={{ my: 1 }}>
            {plan.assumptions.map((text) => <Caution key={text}>{text}</Caution>)}
            <Small>{plan.cautions.length} cautions go on the card.</Small>
          </Box>
          {view.order_id === null && <SaveOrder ticket={ticket} lacking={view.lacking} where="tray" onSave={onSave} />}
        </>
      ) : (
        <p>{empty(view)}</p>
      )}
      {children}
    </Box>
  );
}

/** Which line told most, and which made it less certain. */
function Turns({ turns: { most, less } }: { turns: TicketView["turns"] }) {
  if (!most && less.length === 0) return null;
  const lines = less.length === 1 ? `Line ${less[0]}` : `Lines ${less.join(", ")}`;
  return (
    <Box component="p" sx={{ m: 0, mt: 0.5, fontSize: 14 }}>
      {most && `Line ${most.line} told most: ${most.before} orders to ${most.after}.`}
      {less.length > 0 && <strong> {lines} made it less certain.</strong>}
    </Box>
  );
}

function empty(view: TicketView): string {
  if (view.found.readings.length === 0) return "Empty until the pump and the work are known.";
  if (!view.pump) return "Empty until one order leads.";
  return "Empty until the work is agreed.";
}

function Lines({ lines }: { lines: TrayLine[] }) {
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {lines.map((line) => (
        <Box component="li" key={line.number} sx={{ display: "flex", gap: 1, py: 0.25 }}>
          <strong>{packs(line)}</strong>
          <span style={{ flex: 1 }}>{line.number}<Box component="span" sx={{ display: "block", fontSize: 14, color: "text.secondary" }}>{line.name}{line.short > 0 ? `, ${line.short} short${line.promised > 0 ? ` (${line.promised} promised)` : ""}` : ""}</Box></span>
          <span>{price(line.price_cents)}</span>
        </Box>
      ))}
    </Box>
  );
}

function Open({ open, certain }: { open: TicketView["tray"]["open"]; certain: boolean }) {
  return (
    <Box component="section" aria-label="Still open" sx={{ border: "1px dashed", borderColor: "text.secondary", borderRadius: 1, px: 1, py: 0.5, my: 0.5, fontSize: 15 }}>
      <strong>{certain ? "Still open" : "Nothing is certain yet"}</strong>
      {open.map((own, index) => (
        <div key={own.id}>
          order {String.fromCharCode(65 + index)}, {percent(own.probability)}: {own.lines.map((line) => `${line.quantity} × ${line.number}`).join(", ") || "nothing more"}
        </div>
      ))}
    </Box>
  );
}

function Sureness({ sure, enough }: { sure: number; enough: boolean }) {
  const mark = useVocabulary().data?.enough;
  return (
    <Box sx={{ my: 1 }}>
      <Box sx={{ position: "relative", height: 12, bgcolor: faint, borderRadius: 1 }}>
        <Box sx={{ height: 12, width: `${sure * 100}%`, bgcolor: petrol, borderRadius: 1, transition: "width 150ms" }} />
        {mark !== undefined && <Box sx={{ position: "absolute", left: `${mark * 100}%`, top: -3, height: 18, borderLeft: "2px solid", borderColor: "text.primary" }} />}
      </Box>
      <Box sx={{ fontSize: 14 }}>{enough ? "enough to order" : "the mark is where it is enough to order"}</Box>
    </Box>
  );
}
