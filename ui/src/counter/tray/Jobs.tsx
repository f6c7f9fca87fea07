import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import type { TicketView } from "../../api/types";
import { price } from "../../shell/format";
import { useAnotherJob } from "../../ticket/useAnotherJob";

/** Every kind of pump of the call, and what they come to together. */
export function Jobs({ view }: { view: TicketView }) {
  const { jobs, together } = view;
  const another = useAnotherJob();
  if (view.id === null) return null;
  const next = <Button size="small" disabled={another.isPending} onClick={() => another.mutate(view.id!)}>Another kind of pump in this call</Button>;
  if (!together) return next;
  return (
    <Box component="section" aria-label="In this call" sx={{ borderTop: "1px solid", borderColor: "divider", mt: 1, pt: 0.5, fontSize: 15 }}>
      <strong>In this call</strong>
      {jobs.map((job) => {
        const name = `${job.pumps > 1 ? `${job.pumps} × ` : ""}${job.pump ?? "not known yet"}${job.order_id ? `, order ${job.order_id}` : job.enough ? ", to be saved" : ""}`;
        return (
          <Box key={job.ticket_id} sx={{ display: "flex", justifyContent: "space-between", gap: 1 }}>
            {job.ticket_id === view.id ? <span aria-current="true">▸ {name}</span> : <Link to={`/tickets/${job.ticket_id}`}>{name}</Link>}
            <span>{price(job.price_cents)}</span>
          </Box>
        );
      })}
      {next}
      <Box sx={{ display: "flex", justifyContent: "space-between", fontWeight: 700 }}><span>all together</span><span>{price(together.price_cents)}{together.gross_cents !== together.price_cents && `, with tax ${price(together.gross_cents)}`}</span></Box>
      {together.comes && <div>all of it {together.comes}</div>}
      {together.tools.length > 0 && (
        <details>
          <summary>{together.tools.length} tools for all of them</summary>
          <Box tabIndex={0} role="group" aria-label="Tools for all of them" sx={{ maxHeight: 130, overflowY: "auto" }}>
            {together.tools.map((tool) => <div key={tool.name + tool.number}><strong>{tool.name}</strong>{tool.number && ` ${tool.number}`}: {tool.pumps.join(", ")}</div>)}
          </Box>
        </details>
      )}
    </Box>
  );
}
