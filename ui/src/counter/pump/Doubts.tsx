import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import OutlinedInput from "@mui/material/OutlinedInput";
import { type ReactNode, useState } from "react";
import type { TicketView } from "../../api/types";
import { percent } from "../../shell/format";
import { useReason } from "../../ticket/useReason";
import type { LiveTicket } from "../../ticket/useTicket";
import { Small } from "../../shell/text";

type Leaders = TicketView["found"]["contradictions"][number]["leading"];

const SHOWN = 3;
/** That nothing confirms a plate, or a size. */
const UNCONFIRMED = ["plate_unconfirmed", "size_unconfirmed"];
const names = (leaders: Leaders) => leaders.map((one) => `${one.model} ${percent(one.probability)}`).join(", ");

/** Readings that contradict the rest, with both outcomes; a plate that nothing confirms; a flow that does not add up. */
export function Doubts({ ticket, view }: { ticket: LiveTicket; view: TicketView }) {
  const { found } = view;
  const reason = (key: string) => view.ticket.settled.find((one) => one.doubt === key)?.reason ?? null;
  const settle = (doubt: string, why: string | null) => void ticket.add("Pump", { kind: "settled", doubt, reason: why });
  const open = view.ticket.settled.find((one) => one.text !== null)?.doubt ?? UNCONFIRMED.find((one) => one === view.doubt);
  const text = view.ticket.settled.find((one) => one.doubt === open)?.text ?? view.lacking.find((one) => one.id === open)?.text;
  return (
    <>
      {found.contradictions.slice(0, SHOWN).map((one) => (
        <Doubt key={one.key} text={one.text} reason={reason(one.key)} onSettle={one.matters ? (why) => settle(one.key, why) : undefined}>
          {one.matters ? "It decides what is ordered. " : "It does not change what is ordered. "}With it: {names(one.leading)}. Without it: {names(one.without)}.
        </Doubt>
      ))}
      {open && text && (
        <Doubt text={text} reason={reason(open)} onSettle={(why) => settle(open, why)}>
          Ask one thing more, or have it read again letter by letter.
        </Doubt>
      )}
      {found.flow && <Doubt text={found.flow.text} reason={null}>{found.flow.arithmetic}</Doubt>}
    </>
  );
}

interface Props {
  text: string;
  /** Why it stands, once somebody said so. */
  reason: string | null;
  onSettle?: ((reason: string | null) => void) | undefined;
  children: ReactNode;
}

function Doubt({ text, reason, onSettle, children }: Props) {
  const [why, setWhy] = useState("");
  const isSaid = useReason();
  return (
    <Box role="note" sx={{ mt: 1, px: 1.25, py: 0.75, border: "2px solid", borderColor: "secondary.main", borderRadius: 1 }}>
      <strong>{reason ? "Stands: " : "Doubtful: "}</strong>{text}
      <Small>{children}</Small>
      {onSettle && (reason ? (
        <Box sx={{ fontSize: 15 }}>
          Because: {reason}. <Button size="small" onClick={() => onSettle(null)}>Open it again</Button>
        </Box>
      ) : (
        <Box component="form" sx={{ display: "flex", gap: 1, mt: 0.5 }} onSubmit={(event: React.FormEvent) => { event.preventDefault(); onSettle(why); }}>
          <OutlinedInput size="small" value={why} onChange={(event) => setWhy(event.target.value)} inputProps={{ "aria-label": `Why it stands: ${text}`, maxLength: 400 }}
            placeholder="It stands, because …" sx={{ flex: 1, "& input": { py: 0.6 } }} />
          <Button type="submit" variant="outlined" size="small" disabled={!isSaid(why)}>It stands</Button>
        </Box>
      ))}
    </Box>
  );
}
