import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { OrderSteps } from "./useOrderSteps";

/** A quote: printed, prolonged, or taken. */
export function QuoteForm({ steps }: { steps: OrderSteps }) {
  const { order } = steps;
  const [until, setUntil] = useState(order.valid_until ?? "");
  return (
    <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
      <span>A quote, valid until <strong>{order.valid_until}</strong>.</span>
      {order.may.includes("accept") && <Button variant="contained" autoFocus onClick={() => void steps.step({ kind: "accept" })}>Order it</Button>}
      {order.may.includes("prolong") && (
        <>
          <TextField size="small" type="date" label="until" value={until} onChange={(event) => setUntil(event.target.value)} slotProps={{ inputLabel: { shrink: true } }} />
          <Button variant="outlined" onClick={() => void steps.step({ kind: "prolong", until })}>Give it more days</Button>
        </>
      )}
    </Box>
  );
}
