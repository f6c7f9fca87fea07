import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { KitPlan } from "../../api/types";
import { price } from "../../shell/format";

/** What is put on the counter, what cannot be, and what is left over. */
export function PlanLines({ plan }: { plan: Pick<KitPlan, "lines" | "unfilled" | "surplus"> & { gap_cents?: number } }) {
  return (
    <>
      <Table size="small" aria-label="Parts to sell" sx={{ mt: 1 }}>
        <TableHead>
          <TableRow>
            <TableCell>qty</TableCell><TableCell>number</TableCell><TableCell>name</TableCell>
            <TableCell>shelf</TableCell><TableCell align="right">price</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {plan.lines.map((line) => (
            <TableRow key={line.number}>
              <TableCell sx={{ fontWeight: 700 }}>{line.quantity}</TableCell>
              <TableCell sx={{ fontWeight: 700, whiteSpace: "nowrap" }}>{line.number}</TableCell>
              <TableCell>{line.name}</TableCell>
              <TableCell>{line.short > 0 ? `${line.short} short` : `${line.on_hand} here`}</TableCell>
              <TableCell align="right">{price(line.total_cents)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      {plan.unfilled.map((one) => (
        <p key={one.name} style={{ margin: "4px 0" }}>
          <strong>Not covered:</strong> {one.quantity} × {one.name} {one.part ?? ""}, {one.reason}.
        </p>
      ))}
      {(plan.gap_cents ?? 0) > 0 && <p style={{ margin: "4px 0" }}>Not proven cheapest in time: another plan might save up to {price(plan.gap_cents!)}.</p>}
      {plan.surplus.length > 0 && (
        <p style={{ margin: "4px 0" }}>Left over: {plan.surplus.map((one) => `${one.quantity} × ${one.name ?? ""} ${one.part}`).join(", ")}.</p>
      )}
    </>
  );
}
