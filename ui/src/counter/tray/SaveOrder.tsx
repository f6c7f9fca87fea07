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
  /** What is not covered, in words; it is asked about once. */
  short: string | null;
  where: string;
  onSave: (reason: string | null) => void;
}

/** Saves at once where there is enough to order; else it takes a reason, which goes with the order. */
export function SaveOrder({ ticket, lacking, short, where, onSave }: Props) {
  const [reason, setReason] = useState("");
  const isSaid = useReason();
  const [asked, setAsked] = useState<string | null>(null);
  const isAsked = short !== null && asked === short;
  if (lacking.length === 0) {
    return (
      <>
        {isAsked && <p role="alert">{short}. Save all the same?</p>}
        <Button fullWidth variant="contained" disabled={ticket.busy} onClick={() => (short !== null && !isAsked ? setAsked(short) : onSave(null))}>{isAsked ? "Save all the same" : "Save the order"}</Button>
        <ProblemNote ticket={ticket} where={where} />
      </>
    );
  }
  return (
    <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); onSave(reason); }}>
      {lacking.map((one) => <Small key={one.id}>▸ {one.text}</Small>)}
      <OutlinedInput fullWidth size="small" value={reason} onChange={(event) => setReason(event.target.value)} placeholder="Save all the same, because …"
        inputProps={{ "aria-label": "Why it is saved though not sure", maxLength: 400 }} sx={{ my: 0.5, "& input": { py: 0.75 } }} />
      <Button fullWidth type="submit" variant="outlined" disabled={ticket.busy || !isSaid(reason)}>Save, though not sure</Button>
      <ProblemNote ticket={ticket} where={where} />
    </Box>
  );
}
