import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import OutlinedInput from "@mui/material/OutlinedInput";
import { useState } from "react";
import type { TicketView } from "../../api/types";
import { ProblemNote } from "../../shell/ProblemNote";
import { useReason } from "../../ticket/useReason";
import type { LiveTicket } from "../../ticket/useTicket";
import { Small } from "../../shell/text";

interface Props {
  ticket: LiveTicket;
  lacking: TicketView["lacking"];
  where: string;
  onSave: (reason: string | null) => void;
}

/** Saves at once where it is sure and every place is filled; else it takes a reason, which goes with the order. */
export function SaveOrder({ ticket, lacking, where, onSave }: Props) {
  const [reason, setReason] = useState("");
  const isSaid = useReason();
  if (lacking.length === 0) {
    return (
      <>
        <Button fullWidth variant="contained" disabled={ticket.busy} onClick={() => onSave(null)}>Save the order</Button>
        <ProblemNote ticket={ticket} where={where} />
      </>
    );
  }
  return (
    <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); onSave(reason); }}>
      {lacking.map((one) => <Small key={one.id}>▸ {one.text}</Small>)}
      <OutlinedInput fullWidth size="small" value={reason} onChange={(event) => setReason(event.target.value)} placeholder="Save all the same, because …"
        inputProps={{ "aria-label": "Why it is saved all the same", maxLength: 400 }} sx={{ my: 0.5, "& input": { py: 0.75 } }} />
      <Button fullWidth type="submit" variant="outlined" disabled={ticket.busy || !isSaid(reason)}>Save all the same</Button>
      <ProblemNote ticket={ticket} where={where} />
    </Box>
  );
}
