import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import NativeSelect from "@mui/material/NativeSelect";
import { useState } from "react";
import { useVocabulary } from "../../api/queries";
import type { Plan, Tightening, TorqueUnit } from "../../api/types";
import { CrankDrawing } from "../../drawing/CrankDrawing";
import { FaceDrawing } from "../../drawing/FaceDrawing";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";
import { Caution } from "../../shell/Caution";
import { Lever } from "./Lever";
import { ValueForm } from "./ValueForm";
import { Walk } from "./Walk";
import { Muted, Small } from "../../shell/text";

/** Every fastener that the work opens: value, passes, treatment, and the order drawn on the face. */
export function TighteningAnswer({ ticket, plan }: { ticket: LiveTicket; plan: Plan }) {
  const units = useVocabulary().data?.units ?? [];
  return (
    <>
      <ProblemNote ticket={ticket} where="Tightening" />
      <label>
        Customer's wrench reads{" "}
        <NativeSelect value={plan.units} inputProps={{ "aria-label": "Unit of the customer's wrench" }}
          onChange={(event) => void ticket.add("Tightening", { kind: "unit", unit: event.target.value as TorqueUnit })}>
          {units.map((unit) => <option key={unit} value={unit}>{unit}</option>)}
        </NativeSelect>
      </label>
      <Lever ticket={ticket} />
      {plan.refit && (
        <Box component="section" aria-label="Before the manifold goes on" sx={{ display: "flex", gap: 2, flexWrap: "wrap", py: 1.25, borderBottom: "1px solid", borderColor: "divider" }}>
          <Box sx={{ flex: 1, minWidth: 220 }}>
            <strong>Before the manifold goes on</strong>
            <Box sx={{ fontSize: 18 }}>{plan.refit.text}</Box>
          </Box>
          <CrankDrawing refit={plan.refit} />
        </Box>
      )}
      {plan.tightening.map((one) => <Fastener key={one.fastener} one={one} unit={plan.units} ticket={ticket} />)}
    </>
  );
}

function Fastener({ one, unit, ticket }: { one: Tightening; unit: string; ticket: LiveTicket }) {
  const [walking, setWalking] = useState(false);
  const ordered = one.points.some((point) => point.order !== null);
  return (
    <Box component="article" aria-label={one.name} sx={{ display: "flex", gap: 2, py: 1.25, borderBottom: "1px solid", borderColor: "divider" }}>
      <Box sx={{ flex: 1 }}>
        <strong>{one.count} × {one.name}</strong> · {one.drive}
        <Box sx={{ fontSize: 32, fontWeight: 700, lineHeight: 1.2 }}>{one.asked ? one.asked.text : one.text}{one.tolerance && ` ± ${one.tolerance.text}`}</Box>
        {one.asked && one.kind !== "torque" && <Box>{one.text}</Box>}
        {one.asked && one.published?.unit !== one.asked.unit && <Box>published {one.published?.text}</Box>}
        {one.setting && one.setting !== one.asked?.text && <Box>set {one.setting}</Box>}
        {one.wrench && <Box>{one.wrench}</Box>}
        {one.treatment && <Box>threads: {one.treatment}</Box>}
        {one.passes.length > 1 && <Box>{one.passes.length} passes: {one.passes.map((pass) => pass.text).join(", then ")}</Box>}
        {!one.face && one.orders.map((set, index) => <Box key={index}>order{set.name ? `, ${set.name}` : ""}: {set.labels.join(", ")}</Box>)}
        {one.conversions.length > 0 && <Small>{one.conversions.map((other) => other.text).join(" = ")}</Small>}
        {one.source && <Muted>{[one.source, one.checked].filter(Boolean).join(" · ")}</Muted>}
        {one.entered && <Box>entered at the counter, not from the series sheet</Box>}
        {one.doubt && <Caution>{one.doubt}</Caution>}
        {(one.entered || one.kind === "none") && <ValueForm one={one} unit={unit} ticket={ticket} />}
        {one.walk.length > 1 && <Button size="small" variant="outlined" sx={{ mt: 0.5 }} onClick={() => setWalking(true)} aria-label={`${one.name}: turn by turn`}>turn by turn</Button>}
        {walking && <Walk one={one} onClose={() => setWalking(false)} />}
      </Box>
      {ordered && one.face && <FaceDrawing face={one.face} points={one.points} />}
    </Box>
  );
}
