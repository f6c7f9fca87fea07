import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useVocabulary } from "../../api/queries";
import type { TicketView } from "../../api/types";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";
import { Areas } from "./Areas";
import { DiagnosisPanel } from "./DiagnosisPanel";
import { Extents } from "./Extents";
import { Measured } from "./Measured";
import { WhereItDrips } from "./WhereItDrips";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  onAgree: () => void;
}

/** What the complaint points to, what is to be done, where, how far, and on how many pumps. */
export function WorkAnswer({ ticket, view, onAgree }: Props) {
  const { plan, ticket: state, diagnosis } = view;
  const names = useVocabulary().data?.work_areas ?? [];
  const work = (areas: string[], positions: Record<string, string[]>, agreed = state.agreed, pumps = state.pumps) =>
    ticket.add("Work", { kind: "work", areas, positions, agreed, pumps });
  const tell = (words: string) => void ticket.add("Work", { kind: "said", words, asked: null });
  const drips = view.order_id === null ? view.drips : null;
  return (
    <>
      <ProblemNote ticket={ticket} where="Work" />
      <Measured ticket={ticket} view={view} />
      {drips && <WhereItDrips drips={drips} onTell={tell} />}
      {diagnosis
        ? <DiagnosisPanel ticket={ticket} diagnosis={diagnosis} complaints={state.complaints} onTake={(areas) => void work(areas, {})} onTell={tell} pictured={drips !== null} />
        : state.complaints.length > 0 && <p><strong>Complaint:</strong> {state.complaints.join(", ")}.</p>}
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 3 }}>
        <Areas names={names} state={state} plan={plan} onChange={(areas, positions) => void work(areas, positions)} />
        <Box>
          <Pumps key={state.pumps} pumps={state.pumps} onChange={(pumps) => void work(state.scope, state.positions, state.agreed, pumps)} />
          <Box sx={{ mt: 1 }}><Extents ticket={ticket} extents={view.extents} /></Box>
          <Button variant="contained" sx={{ mt: 1.5, display: "block" }} disabled={state.scope.length === 0}
            onClick={() => void work(state.scope, state.positions, true).then((taken) => { if (taken) onAgree(); })}>
            Agreed with the customer
          </Button>
        </Box>
      </Box>
    </>
  );
}

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
