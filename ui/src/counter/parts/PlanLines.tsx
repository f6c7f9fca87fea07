import Table from "@mui/material/Table";
import { Wide } from "../../shell/Wide";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { KitPlan } from "../../api/types";
import { here, packs, price } from "../../shell/format";
import type { LiveTicket } from "../../ticket/useTicket";
import { SetLine } from "./SetLine";

interface Props {
  plan: Pick<KitPlan, "lines" | "unfilled" | "surplus"> & { gap_cents?: number };
  /** Without one the lines stand as they were agreed. */
  ticket?: LiveTicket;
}

/** What is put on the counter, what cannot be, and what is left over. */
export function PlanLines({ plan, ticket }: Props) {
  return (
    <>
      <Wide name="Parts to sell, table"><Table size="small" aria-label="Parts to sell" sx={{ mt: 1 }}>
        <TableHead>
          <TableRow>
            <TableCell>qty</TableCell><TableCell>number</TableCell><TableCell>name</TableCell>
            <TableCell>shelf</TableCell><TableCell align="right">price</TableCell>{ticket && <TableCell />}
          </TableRow>
        </TableHead>
        <TableBody>
          {plan.lines.map((line) => (
            <TableRow key={line.number}>
              <TableCell sx={{ fontWeight: 700, whiteSpace: "nowrap", fontSize: 22 }}>{packs(line)}</TableCell>
              <TableCell sx={{ fontWeight: 700, whiteSpace: "nowrap" }}>{line.number}</TableCell>
              <TableCell>{line.name}{line.reason && <div>{line.beside ? "added" : "set by hand"}: {line.reason}</div>}</TableCell>
              <TableCell>{line.short > 0 ? `${line.short} short: ${here(line)}` : here(line)}{line.comes && <div>{line.comes}</div>}</TableCell>
              <TableCell align="right">{price(line.total_cents)}</TableCell>
              {ticket && <TableCell padding="none"><SetLine ticket={ticket} line={line} /></TableCell>}
            </TableRow>
          ))}
        </TableBody>
      </Table></Wide>
      {plan.unfilled.map((one) => (
        <p key={one.name} style={{ margin: "4px 0" }}>
          <strong>Not covered:</strong> {one.quantity} × {one.name} {one.part ?? ""}, {one.reason}.
          {one.stand_ins.map((other) => <span key={other.part}> For a while only: {other.part}, {other.note}.</span>)}
        </p>
      ))}
      {(plan.gap_cents ?? 0) > 0 && <p>Not proven cheapest in time: another plan might save up to {price(plan.gap_cents!)}.</p>}
      {plan.surplus.length > 0 && (
        <p>Left over: {plan.surplus.map((one) => `${one.quantity} × ${one.name ?? ""} ${one.part}${one.worth_cents ? ` (worth ${price(one.worth_cents)})` : ""}`).join(", ")}.</p>
      )}
    </>
  );
}
