import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { OrderSteps } from "./useOrderSteps";

/** A quote stands for longer. */
export function ProlongForm({ steps }: { steps: OrderSteps }) {
  const [until, setUntil] = useState(steps.order.valid_until ?? "");
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
      <TextField size="small" type="date" label="until" value={until} onChange={(event) => setUntil(event.target.value)} slotProps={{ inputLabel: { shrink: true } }} />
      <Button variant="outlined" onClick={() => void steps.step({ kind: "prolong", until })}>Give it more days</Button>
    </Box>
  );
}
