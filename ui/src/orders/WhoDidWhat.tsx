import type { Order } from "../api/types";
import { day } from "../shell/format";

/** What was done with an order, and by whom. */
export function WhoDidWhat({ order }: { order: Order }) {
  if (order.life.length === 0) return null;
  return (
    <details open={order.life.length < 8}>
      <summary>Who did what</summary>
      <ol style={{ margin: "4px 0", paddingLeft: 24 }}>
        {order.life.map((step, index) => <li key={index}>{day(step.at)} · {step.who}: {step.words}</li>)}
      </ol>
    </details>
  );
}
