import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useVocabulary } from "../../api/queries";
import type { Outcome, Plan, Stack, StackLayer } from "../../api/types";
import type { LiveTicket } from "../../ticket/useTicket";

interface Props {
  ticket: LiveTicket;
  plan: Plan;
  stack: Stack;
  layer: StackLayer;
}

const EVERYWHERE = "everywhere";

/** What to look for on one piece, and what was found, at one position or everywhere. */
export function PieceSheet({ ticket, plan, stack, layer }: Props) {
  const outcomes = useVocabulary().data?.outcomes ?? [];
  const [where, setWhere] = useState(EVERYWHERE);
  const slot = layer.slot!;
  const position = where === EVERYWHERE ? null : where;
  const limits = plan.keep.find((one) => one.slot === slot)?.limits ?? [];
  const found = (outcome: Outcome | null) => void ticket.add("Parts", { kind: "inspected", slot, position, outcome });
  const known = ticket.view?.ticket.findings.some((one) => one.slot === slot && (one.position ?? null) === position);
  return (
    <Box sx={{ ml: 4, mb: 1, p: 1, border: "1px solid", borderColor: "divider", borderRadius: 1 }}>
      {layer.look.length > 0 && <ul>{layer.look.map((text) => <li key={text}>{text}</li>)}</ul>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mt: 0.5 }}>
        <TextField select size="small" label="Found at" value={where} onChange={(event) => setWhere(event.target.value)} sx={{ minWidth: 150 }}>
          <MenuItem value={EVERYWHERE}>{EVERYWHERE}</MenuItem>
          {stack.positions.map((one) => <MenuItem key={one} value={one}>{one}</MenuItem>)}
        </TextField>
        {outcomes.map((one) => <Button key={one.id} size="small" variant="outlined" onClick={() => found(one.id as Outcome)}>{one.name}</Button>)}
        {known && <Button size="small" onClick={() => found(null)}>not looked at yet</Button>}
      </Box>
      {limits.map((limit) => (
        <Measure key={limit.measure} text={limit.text} unit={limit.unit}
          onMeasured={(value) => void ticket.add("Parts", { kind: "inspected", slot, position, measured: { [limit.measure]: value } })} />
      ))}
    </Box>
  );
}

function Measure({ text, unit, onMeasured }: { text: string; unit: string; onMeasured: (value: number) => void }) {
  const [typed, setTyped] = useState("");
  const value = Number(typed.replace(",", "."));
  const ready = typed.trim() !== "" && Number.isFinite(value);
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1 }}>
      <TextField size="small" label={`Measured, ${unit}`} helperText={text} value={typed} onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => { if (event.key === "Enter" && ready) onMeasured(value); }} error={typed !== "" && !ready} />
      <Button size="small" variant="outlined" disabled={!ready} onClick={() => onMeasured(value)}>Measured</Button>
    </Box>
  );
}
