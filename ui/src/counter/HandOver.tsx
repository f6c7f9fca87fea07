import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Caution } from "../shell/Caution";
import type { LiveTicket } from "../ticket/useTicket";
import type { CounterView } from "./useCounter";

interface Props {
  ticket: LiveTicket;
  view: CounterView;
  onSave: () => void;
}

/** Cautions to say, the order to save, the card to print. */
export function HandOver({ ticket, view, onSave }: Props) {
  const { plan, found } = view;
  return (
    <>
      <Box sx={{ display: "flex", gap: 1.5, mb: 1.25 }}>
        {ticket.orderId === null ? (
          <Button variant="contained" disabled={!plan} onClick={onSave}>Save the order</Button>
        ) : (
          <>
            <Button variant="contained" href={`/api/orders/${ticket.orderId}/card.pdf`} target="_blank">Work card (PDF)</Button>
            <Button variant="outlined" href={`/orders/${ticket.orderId}`}>Order {ticket.orderId}</Button>
          </>
        )}
      </Box>
      {plan?.assumptions.map((text) => <Caution key={text}>{text}</Caution>)}
      {plan?.cautions.map((text) => <Caution key={text}>{text}</Caution>)}
      {plan && !found?.enough_to_order && !ticket.orderId && (
        <p><strong>Not enough to order yet:</strong> look at the pump answer again.</p>
      )}
    </>
  );
}
