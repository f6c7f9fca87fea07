import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useReason } from "../ticket/useReason";
import type { OrderSteps } from "./useOrderSteps";

/** In a hurry: who loses their turn by it is told before. */
export function ServeFirstForm({ steps }: { steps: OrderSteps }) {
  const [reason, setReason] = useState("");
  const isSaid = useReason();
  const { ahead } = steps.order;
  return (
    <Box component="form" sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}
      onSubmit={(event: React.FormEvent) => { event.preventDefault(); void steps.step({ kind: "serve_first", reason }); }}>
      {ahead.length > 0 && <span>{ahead.length === 1 ? `Order ${ahead[0]} has` : `Orders ${ahead.join(", ")} have`} waited longer for the same pieces.</span>}
      <TextField size="small" label="in a hurry, because …" value={reason} onChange={(event) => setReason(event.target.value)} slotProps={{ htmlInput: { maxLength: 400 } }} />
      <Button type="submit" size="small" variant="text" disabled={!isSaid(reason) || steps.busy}>Serve it first</Button>
    </Box>
  );
}
