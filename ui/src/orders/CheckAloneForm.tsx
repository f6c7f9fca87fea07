import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useReason } from "../ticket/useReason";
import type { OrderSteps } from "./useOrderSteps";

/** Whoever picked leaves the check to somebody else, or says why nobody else does it. */
export function CheckAloneForm({ steps }: { steps: OrderSteps }) {
  const [reason, setReason] = useState("");
  const isSaid = useReason();
  return (
    <Box component="form" sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}
      onSubmit={(event: React.FormEvent) => { event.preventDefault(); void steps.step({ kind: "check_alone", reason }); }}>
      <span>You picked it: somebody else checks.</span>
      <TextField size="small" label="Nobody else can, because …" value={reason} onChange={(event) => setReason(event.target.value)} slotProps={{ htmlInput: { maxLength: 400 } }} />
      <Button type="submit" variant="outlined" size="small" disabled={!isSaid(reason) || steps.busy}>I check it myself</Button>
    </Box>
  );
}
