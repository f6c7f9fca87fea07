import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useVocabulary } from "../api/queries";
import type { Plan, WorkArea } from "../api/types";
import { withArea } from "../ticket/state";
import type { LiveTicket } from "../ticket/useTicket";

interface Props {
  ticket: LiveTicket;
  plan: Plan | undefined;
  onAgree: () => void;
}

/** What is to be done, on how many pumps, and what was found worn. */
export function WorkAnswer({ ticket, plan, onAgree }: Props) {
  const { state, change } = ticket;
  const areas = useVocabulary().data?.work_areas ?? [];
  const inspected = plan?.keep.filter((one) => one.inspect) ?? [];
  const worn = [...state.findings.filter((slot) => !inspected.some((one) => one.slot === slot))];
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 3 }}>
      <Box component="fieldset" sx={{ border: 0, m: 0, p: 0 }}>
        <legend style={{ fontWeight: 700 }}>Agreed work</legend>
        {areas.map((area) => (
          <Box key={area.id}>
            <FormControlLabel
              label={area.name}
              control={<Checkbox size="small" checked={state.scope.includes(area.id as WorkArea)}
                onChange={(event) => change((now) => withArea(now, area.id as WorkArea, event.target.checked))} />}
            />
            {plan?.added[area.id] && <span> goes with it: {plan.added[area.id]}</span>}
            {plan?.not_on_file.includes(area.id) && <span> nothing on file for this pump: see the maker's manual</span>}
          </Box>
        ))}
      </Box>
      <Box>
        <TextField
          label="Pumps" type="number" size="small" value={state.pumps} slotProps={{ htmlInput: { min: 1, max: 99 } }}
          onChange={(event) => {
            const pumps = Math.min(99, Math.max(1, Math.trunc(Number(event.target.value)) || 1));
            change((now) => ({ ...now, pumps }));
          }}
        />
        {inspected.length + worn.length > 0 && <Box sx={{ fontWeight: 700, mt: 1 }}>Found worn on inspection</Box>}
        {[...inspected.map((one) => ({ slot: one.slot, name: one.name })), ...worn.map((slot) => ({ slot, name: slot.replaceAll("_", " ") }))].map((one) => (
          <Box key={one.slot}>
            <FormControlLabel
              label={one.name}
              control={<Checkbox size="small" checked={state.findings.includes(one.slot)}
                onChange={(event) => change((now) => ({
                  ...now,
                  findings: event.target.checked ? [...now.findings, one.slot] : now.findings.filter((slot) => slot !== one.slot),
                }))} />}
            />
          </Box>
        ))}
        <Button variant="contained" sx={{ mt: 1.5, display: "block" }} disabled={state.scope.length === 0}
          onClick={() => { change((now) => ({ ...now, scope_agreed: true })); onAgree(); }}>
          Agreed with the customer
        </Button>
      </Box>
    </Box>
  );
}
