import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { TicketView } from "../../api/types";
import type { LiveTicket } from "../../ticket/useTicket";
import { Muted, Small } from "../../shell/text";

/** What was measured for this ticket, and the way to the bench with what is known filled in. */
export function Measured({ ticket, view }: { ticket: LiveTicket; view: TicketView }) {
  if (view.id === null) return null;
  const known = new URLSearchParams({ ticket: String(view.id), ...(view.pump && { pump: view.pump.model }) }).toString();
  return (
    <Box component="section" aria-label="Measured" sx={{ mb: 1, "& a": { color: "primary.main" } }}>
      {view.measured.map((one) => (
        <Box key={`${one.of} ${one.item}`} sx={{ borderLeft: "4px solid", borderColor: "primary.main", pl: 1.25, mb: 0.75 }}>
          <strong>{one.verdict}</strong> <Button size="small" onClick={() => void ticket.add("Work", { kind: "struck", of: one.of, item: one.item })} aria-label={`Strike out: ${one.told}`}>strike</Button>
          <Small>{one.told}</Small>
          {one.sums.map((sum) => <Muted key={sum}>{sum}</Muted>)}
        </Box>
      ))}
      <Link to={`/measure/flow?${known}`}>Bucket, nozzle, pressure</Link> · <Link to={`/measure/seal?${known}`}>a seal by its size</Link> · <Link to={`/measure/valves?${known}`}>an unloader that serves</Link>
    </Box>
  );
}
