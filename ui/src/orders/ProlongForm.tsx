import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { DayField } from "../shell/DayField";
import type { OrderSteps } from "./useOrderSteps";

/** A quote stands for longer. */
export function ProlongForm({ steps }: { steps: OrderSteps }) {
  const [until, setUntil] = useState(steps.order.valid_until ?? "");
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center" }}>
      <DayField label="until" value={until} onChange={setUntil} />
      <Button variant="outlined" onClick={() => void steps.step({ kind: "prolong", until })}>Give it more days</Button>
    </Box>
  );
}
