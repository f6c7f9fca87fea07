import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { KitPlan } from "../../api/types";
import type { LiveTicket } from "../../ticket/useTicket";

interface Props {
  ticket: LiveTicket;
  line: Pick<KitPlan["lines"][number], "number" | "quantity" | "reason" | "beside">;
}

/** A specialist sets a line by hand and says why; it stays on the order and the card. */
export function SetLine({ ticket, line }: Props) {
  const [open, setOpen] = useState(false);
  const [quantity, setQuantity] = useState(String(line.quantity));
  const [reason, setReason] = useState("");
  const send = async (count: number | null) => {
    if (await ticket.add("Parts", { kind: line.beside ? "also" : "fixed", number: line.number, quantity: count, reason })) setOpen(false);
  };
  const undo = line.beside ? "take it off" : "leave it to the plan";
  if (!open) {
    return line.reason
      ? <Button size="small" onClick={() => void send(null)} aria-label={`${line.number}: ${undo}`}>{undo}</Button>
      : <Button size="small" onClick={() => setOpen(true)} aria-label={`${line.number}: set by hand`}>set by hand</Button>;
  }
  return (
    <Box sx={{ display: "flex", gap: 0.5, py: 0.5, flexWrap: "wrap" }}>
      <TextField size="small" label="Quantity" type="number" value={quantity} onChange={(event) => setQuantity(event.target.value)} sx={{ width: 90 }} slotProps={{ htmlInput: { min: 0, max: 9999 } }} />
      <TextField size="small" label="Why" value={reason} onChange={(event) => setReason(event.target.value)} sx={{ width: 170 }}
        onKeyDown={(event) => { if (event.key === "Enter") void send(Number(quantity)); }} />
      <Button size="small" variant="outlined" onClick={() => void send(Number(quantity))}>set</Button>
      <Button size="small" onClick={() => setOpen(false)}>cancel</Button>
    </Box>
  );
}
