import type { Order } from "../api/types";
import { date } from "../shell/format";
import { Small } from "../shell/text";

/** How far the work is, and the torques that were reached. */
export function AtTheBench({ order: { bench } }: { order: Order }) {
  if (!bench) return null;
  return (
    <section aria-label="Bench">
      <h2>At the bench: {bench.done} of {bench.of} done</h2>
      {bench.torques.map((one) => (
        <Small key={one.name}><strong>{one.name}</strong> ({date(one.on)}, {one.who.join(", ")}): {one.reached.join(", ")}{one.flagged.map((text) => <strong key={text}> · {text}</strong>)}</Small>
      ))}
    </section>
  );
}
