import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { ReactNode } from "react";
import { useVocabulary } from "../api/queries";
import { Caution } from "../shell/Caution";
import { percent, price } from "../shell/format";
import { petrol } from "../shell/theme";
import type { CounterView } from "./useCounter";

interface Props {
  view: CounterView;
  ordered: boolean;
  onSave: () => void;
  children?: ReactNode;
}

/** What lies in the tray if the order were placed now. */
export function Tray({ view, ordered, onSave, children }: Props) {
  const { found, plan, sure } = view;
  const chosen = plan?.plans[0];
  return (
    <Box component="aside" aria-label="Tray" sx={{ position: "sticky", top: 12, bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, p: 1.5 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline" }}>
        <h2 style={{ margin: 0, fontSize: 18 }}>Tray</h2>
        <strong style={{ fontSize: 18 }}>{found && found.readings.length > 0 ? `${percent(sure)} sure` : ""}</strong>
      </Box>
      <Sureness sure={found && found.readings.length > 0 ? sure : 0} enough={Boolean(found?.enough_to_order)} />
      {chosen ? (
        <>
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
            {chosen.lines.map((line) => (
              <Box component="li" key={line.number} sx={{ display: "flex", gap: 1, py: 0.25 }}>
                <strong>{line.quantity}</strong>
                <span style={{ flex: 1 }}>{line.number}<Box component="span" sx={{ display: "block", fontSize: 14, color: "text.secondary" }}>{line.name}</Box></span>
                <span>{price(line.total_cents)}</span>
              </Box>
            ))}
          </Box>
          {chosen.unfilled.length > 0 && <p style={{ margin: "4px 0" }}><strong>{chosen.unfilled.length} not covered</strong></p>}
          <Box sx={{ display: "flex", justifyContent: "space-between", borderTop: "2px solid", mt: 0.5, pt: 0.5, fontWeight: 700 }}>
            <span>{chosen.name}</span><span>{price(chosen.price_cents)}</span>
          </Box>
          <Box sx={{ my: 1 }}>
            {plan.assumptions.map((text) => <Caution key={text}>{text}</Caution>)}
            <Box sx={{ fontSize: 15 }}>{plan.cautions.length} cautions go on the card.</Box>
          </Box>
          {!ordered && <Button fullWidth variant="contained" onClick={onSave}>{found?.enough_to_order ? "Save the order" : "Save, though not sure"}</Button>}
        </>
      ) : (
        <p style={{ margin: 0 }}>{view.planProblem ?? "Empty until the pump and the work are known."}</p>
      )}
      {children}
    </Box>
  );
}

function Sureness({ sure, enough }: { sure: number; enough: boolean }) {
  const mark = useVocabulary().data?.enough;
  return (
    <Box sx={{ my: 1 }}>
      <Box sx={{ position: "relative", height: 12, bgcolor: "#e6dfd0", borderRadius: 1 }}>
        <Box sx={{ height: 12, width: `${sure * 100}%`, bgcolor: petrol, borderRadius: 1, transition: "width 150ms" }} />
        {mark !== undefined && <Box sx={{ position: "absolute", left: `${mark * 100}%`, top: -3, height: 18, borderLeft: "2px solid", borderColor: "text.primary" }} />}
      </Box>
      <Box sx={{ fontSize: 14 }}>{enough ? "enough to order" : "the mark is where it is enough to order"}</Box>
    </Box>
  );
}
