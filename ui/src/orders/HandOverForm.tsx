import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import type { OrderSteps } from "./useOrderSteps";

/** What is in the bag goes out to somebody by name, unchecked only for a reason. It is never under a scanner's Enter: nothing of it has the focus by itself. */
export function HandOverForm({ steps }: { steps: OrderSteps }) {
  const [how, setHow] = useState<"fetched" | "posted">("fetched");
  const [to, setTo] = useState("");
  const [reason, setReason] = useState("");
  const [together, setTogether] = useState(true);
  const { part, unchecked } = steps.order.next;
  const along = steps.order.together.filter((one) => one.goes_along);
  const send = (event: FormEvent) => {
    event.preventDefault();
    void steps.step({ kind: "hand_over", how, to: to || null, reason: unchecked ? reason || null : null, ...(along.length > 0 ? { together } : {}) });
  };
  return (
    <Box component="form" onSubmit={send} aria-label="Hand over" sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mt: 1 }}>
      <TextField select size="small" label="how" value={how} onChange={(event) => setHow(event.target.value as "fetched" | "posted")} sx={{ width: 120 }}>
        <MenuItem value="fetched">fetched</MenuItem>
        <MenuItem value="posted">posted</MenuItem>
      </TextField>
      <TextField size="small" label={how === "fetched" ? "by whom" : "to, or parcel number"} value={to} onChange={(event) => setTo(event.target.value)} sx={{ width: 220 }} slotProps={{ htmlInput: { maxLength: 400 } }} />
      {unchecked && <TextField size="small" label="why it goes out unchecked" value={reason} onChange={(event) => setReason(event.target.value)} sx={{ width: 280 }} slotProps={{ htmlInput: { maxLength: 400 } }} />}
      {along.length > 0 && (
        <FormControlLabel control={<Checkbox size="small" checked={together} onChange={(event) => setTogether(event.target.checked)} />}
          label={`with ${along.map((one) => `order ${one.id}, ${one.pump}`).join("; ")}`} />
      )}
      <Button type="submit" variant="contained" disabled={steps.busy}>{part ? "Hand over what is here" : "Hand over"}</Button>
    </Box>
  );
}
