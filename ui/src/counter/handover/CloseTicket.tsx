import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";

/** A call that comes to nothing is closed, and can be opened again; both say why. */
export function CloseTicket({ ticket }: { ticket: LiveTicket }) {
  const [reason, setReason] = useState("");
  const closed = ticket.view?.ticket.state === "closed";
  const send = async () => {
    if (await ticket.add("Close", { kind: closed ? "reopened" : "closed", reason })) setReason("");
  };
  return (
    <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); void send(); }} sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mt: 1.5 }}>
      {closed && <strong>This ticket is closed.</strong>}
      <TextField size="small" label={closed ? "why it goes on" : "why it ends without an order"} value={reason} onChange={(event) => setReason(event.target.value)} sx={{ width: 300 }} slotProps={{ htmlInput: { maxLength: 400 } }} />
      <Button type="submit" variant="outlined" size="small">{closed ? "Open it again" : "Close the ticket"}</Button>
      <ProblemNote ticket={ticket} where="Close" />
    </Box>
  );
}
