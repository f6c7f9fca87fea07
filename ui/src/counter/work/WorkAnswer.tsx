import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useVocabulary } from "../../api/queries";
import type { TicketView, WorkArea } from "../../api/types";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  onAgree: () => void;
}

/** What is to be done, on how many pumps, and what was found worn. */
export function WorkAnswer({ ticket, view, onAgree }: Props) {
  const { plan, ticket: state } = view;
  const areas = useVocabulary().data?.work_areas ?? [];
  const inspected = plan?.keep.filter((one) => one.look.length > 0) ?? [];
  const gone = state.findings.map((one) => one.slot).filter((slot) => !inspected.some((one) => one.slot === slot));
  const pieces = [...inspected.map((one) => ({ slot: one.slot, name: one.name })), ...gone.map((slot) => ({ slot, name: slot.replaceAll("_", " ") }))];
  const work = (scope: WorkArea[], agreed: boolean, pumps = state.pumps) => ticket.add("Work", { kind: "work", areas: scope, agreed, pumps });
  return (
    <>
      <ProblemNote ticket={ticket} where="Work" />
      {state.complaints.length > 0 && <p style={{ margin: "0 0 6px" }}><strong>Complaint:</strong> {state.complaints.join(", ")}.</p>}
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 3 }}>
        <Box component="fieldset" sx={{ border: 0, m: 0, p: 0 }}>
          <legend style={{ fontWeight: 700 }}>Agreed work</legend>
          {areas.map((area) => (
            <Box key={area.id}>
              <FormControlLabel
                label={area.name}
                control={<Checkbox size="small" checked={state.scope.includes(area.id as WorkArea)}
                  onChange={(event) => void work(toggled(state.scope, area.id as WorkArea, event.target.checked), state.agreed)} />}
              />
              {plan?.added[area.id] && <span> goes with it: {plan.added[area.id]}</span>}
              {plan?.not_on_file.includes(area.id) && <span> nothing on file for this pump: see the maker's manual</span>}
            </Box>
          ))}
        </Box>
        <Box>
          <Pumps key={state.pumps} pumps={state.pumps} onChange={(pumps) => void work(state.scope, state.agreed, pumps)} />
          {pieces.length > 0 && <Box sx={{ fontWeight: 700, mt: 1 }}>Found worn on inspection</Box>}
          {pieces.map((one) => (
            <Box key={one.slot}>
              <FormControlLabel
                label={one.name}
                control={<Checkbox size="small" checked={state.findings.some((found) => found.slot === one.slot)}
                  onChange={(event) => void ticket.add("Work", { kind: "inspected", slot: one.slot, outcome: event.target.checked ? "replace" : null })} />}
              />
            </Box>
          ))}
          <Button variant="contained" sx={{ mt: 1.5, display: "block" }} disabled={state.scope.length === 0}
            onClick={() => void work(state.scope, true).then((taken) => { if (taken) onAgree(); })}>
            Agreed with the customer
          </Button>
        </Box>
      </Box>
    </>
  );
}

const toggled = (scope: WorkArea[], area: WorkArea, wanted: boolean): WorkArea[] =>
  wanted ? [...scope, area] : scope.filter((one) => one !== area);

/** Kept while it is typed, sent when the field is left or Enter is pressed. */
function Pumps({ pumps, onChange }: { pumps: number; onChange: (pumps: number) => void }) {
  const [text, setText] = useState(String(pumps));
  const send = () => {
    const count = Number(text);
    if (Number.isInteger(count) && count !== pumps) onChange(count);
  };
  return (
    <TextField label="Pumps" type="number" size="small" value={text} slotProps={{ htmlInput: { min: 1, max: 99 } }}
      onChange={(event) => setText(event.target.value)} onBlur={send} onKeyDown={(event) => event.key === "Enter" && send()} />
  );
}
