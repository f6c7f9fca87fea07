import Box from "@mui/material/Box";
import { useVocabulary } from "../../api/queries";
import type { Plan, TicketView, TrayLine } from "../../api/types";
import { PlacesDrawing } from "../../drawing/PlacesDrawing";
import { Caution } from "../../shell/Caution";
import { packs, percent, price } from "../../shell/format";
import { faint, petrol } from "../../shell/theme";
import { WithTax } from "../../shell/WithTax";
import type { LiveTicket } from "../../ticket/useTicket";
import { Jobs } from "./Jobs";
import { SaveOrder } from "./SaveOrder";
import { WantedBy } from "./WantedBy";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  onSave: (reason: string | null) => void;
}

/**
 * What lies in the tray once an order leads: what all likely orders have, and apart from it what is still open. How sure it is stands at its top, the
 * sum and Save at its foot, however many lines lie between.
 */
export function Tray({ ticket, view, onSave }: Props) {
  const { tray, plan, pump } = view;
  return (
    <Box component="aside" aria-label="Tray" sx={{ position: { xs: "static", md: "sticky" }, top: 12, maxHeight: { xs: "none", md: "calc(100vh - 90px)" }, display: "flex", flexDirection: "column", bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, p: 1.5 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline" }}>
        <h2>Tray</h2>
        <strong style={{ fontSize: 18 }}>{pump ? `${percent(pump.sure)} sure` : ""}</strong>
      </Box>
      <Sureness sure={pump?.sure ?? 0} enough={view.enough} />
      <Turns turns={view.turns} />
      {plan ? (
        <>
          <Box tabIndex={0} role="group" aria-label="What lies in the tray" sx={{ overflowY: "auto", minHeight: 60, flex: "0 1 auto" }}>
            <Lines lines={tray.certain} />
            {tray.open.length > 0 && <Open open={tray.open} certain={tray.certain.length > 0} />}
            {tray.open.length === 0 && tray.certain.length > 0 && <Filled plan={plan} />}
          </Box>
          <Box sx={{ position: { xs: "sticky", md: "static" }, bottom: 0, bgcolor: "background.paper", pb: { xs: 1, md: 0 } }}>
            <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline", borderTop: "2px solid", mt: 0.5, pt: 0.5, fontWeight: 700 }}>
              <span>{tray.name}{tray.certain.length > 0 && <Box component="span" sx={{ fontWeight: 400, fontSize: 14, ml: 1 }}>{tray.certain.length} {tray.certain.length === 1 ? "line" : "lines"}</Box>}</span>{tray.certain.length > 0 && <span style={{ fontSize: 24 }}>{price(tray.price_cents)}</span>}
            </Box>
            {tray.certain.length > 0 && <WithTax net={tray.price_cents} gross={tray.gross_cents} />}
            {tray.open.length === 0 && plan.plans[0]!.comes && <p style={{ margin: 0 }}>all of it {plan.plans[0]!.comes}</p>}
            {tray.certain.length > 0 && <WantedBy ticket={ticket} view={view} plan={plan} />}
            {plan.assumptions.map((text) => <Caution key={text}>{text}</Caution>)}
            {view.order_id === null && <SaveOrder ticket={ticket} lacking={view.lacking} where="tray" onSave={onSave} />}
          </Box>
        </>
      ) : (
        <p>{empty(view)}</p>
      )}
      <Jobs view={view} />
    </Box>
  );
}

/** How the places of the work are filled: in a few words where all are there, drawn where some are not. */
function Filled({ plan }: { plan: Plan }) {
  return (
    <Box component="section" aria-label="Places" sx={{ my: 0.5, fontSize: 15 }}>
      {plan.places.says}
      <PlacesDrawing places={plan.places} stacks={plan.stacks} holes />
    </Box>
  );
}

/** Which line told most, and which made it less certain. */
function Turns({ turns: { most, less } }: { turns: TicketView["turns"] }) {
  if (!most && less.length === 0) return null;
  const lines = less.length === 1 ? `Line ${less[0]}` : `Lines ${less.join(", ")}`;
  return (
    <Box component="p" sx={{ m: 0, mt: 0.5, fontSize: 14 }}>
      {most && `Line ${most.line} told most: ${most.before} options to ${most.after}.`}
      {less.length > 0 && <strong> {lines} made it less certain.</strong>}
    </Box>
  );
}

function empty(view: TicketView): string {
  if (view.found.readings.length === 0) return "Empty until the pump and the work are known.";
  if (!view.pump) return "Empty until one option leads.";
  return "Empty until the work is agreed.";
}

function Lines({ lines }: { lines: TrayLine[] }) {
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {lines.map((line) => (
        <Box component="li" key={line.number} sx={{ py: 0.25 }}>
          <Box sx={{ display: "flex", justifyContent: "space-between", gap: 1 }}>
            <span><strong>{packs(line)}</strong> {line.number}</span><span>{price(line.price_cents)}</span>
          </Box>
          <Box sx={{ display: "flex", justifyContent: "space-between", columnGap: 1, flexWrap: "wrap", fontSize: 14 }}>
            <Box component="span" sx={{ color: "text.secondary" }}>{line.name}</Box>
            <Box component="span" sx={{ ml: "auto", fontWeight: line.short > 0 ? 700 : 400 }}>{shelf(line)}</Box>
          </Box>
          {line.comes && <Box sx={{ fontSize: 14, textAlign: "right" }}>{line.comes}</Box>}
        </Box>
      ))}
    </Box>
  );
}

/** What is free of it, and how many lack. */
const shelf = ({ free, short, promised }: TrayLine): string =>
  short === 0 ? `${free} free` : `${free} free, ${short} short${promised > 0 ? `, ${promised} promised` : ""}`;

function Open({ open, certain }: { open: TicketView["tray"]["open"]; certain: boolean }) {
  return (
    <Box component="section" aria-label="By option" sx={{ border: "1px dashed", borderColor: "text.secondary", borderRadius: 1, px: 1, py: 0.5, my: 0.5, fontSize: 15 }}>
      <strong>{certain ? "And by option" : "By option"}</strong>
      {open.map((own, index) => (
        <div key={own.id}>
          option {String.fromCharCode(65 + index)}, {percent(own.probability)}: {own.lines.map((line) => `${line.quantity} × ${line.number}`).join(", ") || "no other part"}
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
