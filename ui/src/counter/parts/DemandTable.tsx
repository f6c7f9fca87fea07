import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import type { Plan } from "../../api/types";

/** Each needed part with the steps that caused it. */
export function DemandTable({ demand }: { demand: Plan["demand"] }) {
  return (
    <Table size="small" aria-label="Why each part">
      <TableBody>
        {demand.map((line) => (
          <TableRow key={line.part}>
            <TableCell sx={{ fontWeight: 700, whiteSpace: "nowrap" }}>{line.quantity} × {line.part}</TableCell>
            <TableCell sx={{ fontSize: 15 }}>{line.reasons.join("; ")}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}
