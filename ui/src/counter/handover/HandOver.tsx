import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useOrder } from "../../api/queries";
import type { Order, TicketView } from "../../api/types";
import { useOrderSteps } from "../../orders/useOrderSteps";
import { Whose } from "../../orders/Whose";
import { Caution } from "../../shell/Caution";
import { CautionLine } from "../../shell/CautionLine";
import type { LiveTicket } from "../../ticket/useTicket";
import { SaveOrder } from "../tray/SaveOrder";
import { CloseTicket } from "./CloseTicket";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  onSave: (reason: string | null) => void;
}

function WhoseOrder({ id }: { id: number }) {
  const { data: order } = useOrder(id);
  return order && order.customer_id === null ? <Box sx={{ mt: 1.5 }}><Nobody key={id} order={order} /></Box> : null;
}

const Nobody = ({ order }: { order: Order }) => <Whose steps={useOrderSteps(order)} />;

/** The two that are wanted first. */
function Papers({ id }: { id: number }) {
  const { data: order } = useOrder(id);
  return order?.papers.slice(0, 2).map((paper, at) => <Button key={paper.id} variant={at === 0 ? "contained" : "outlined"} href={`/api/orders/${id}/${paper.id}.pdf`} target="_blank">{paper.name} (PDF)</Button>);
}

/** Cautions to say, the order to save, the card to print. */
export function HandOver({ ticket, view, onSave }: Props) {
  const { plan, order_id } = view;
  return (
    <>
      <Box sx={{ mb: 1.25, maxWidth: 640 }}>
        {order_id !== null && (
          <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
            <Papers id={order_id} />
            <Button variant="outlined" href={`/orders/${order_id}`}>Order {order_id}</Button>
          </Box>
        )}
        {order_id !== null && <WhoseOrder id={order_id} />}
        {view.amending && <p>This amends order {view.amending.id}: saving makes another version of it.{view.amending.cancelled_at && <strong> It was cancelled: {view.amending.cancelled_because}.</strong>}</p>}
        {order_id === null && plan && view.ticket.state === "open" && <SaveOrder ticket={ticket} lacking={view.lacking} where="Hand over" onSave={onSave} />}
        {order_id === null && !plan && "There is nothing to save yet: say what the pump is and agree the work."}
      </Box>
      {order_id === null && view.id !== null && <CloseTicket ticket={ticket} />}
      {plan?.assumptions.map((text) => <Caution key={text}>{text}</Caution>)}
      {plan?.cautions.map((text, index) => <CautionLine key={text} caution={{ text, ...plan.signs[index]! }} />)}
    </>
  );
}
