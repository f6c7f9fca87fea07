import Table from "@mui/material/Table";
import { Wide } from "../../shell/Wide";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { Identification } from "../../api/types";

const ROWS = 6;

/** What tells the leading candidates apart; rows that do not touch the order say so. */
export function Differences({ found }: { found: Identification }) {
  const first = found.differences[0];
  // What the eye sees is picked out on the drawings.
  const seen = new Set(found.faces.flatMap((one) => one.seen.map((row) => row.trait)));
  const rows = found.differences.filter((row) => !seen.has(row.trait)).slice(0, ROWS);
  if (!first || found.readings.length === 0) return null;
  const leaders = found.candidates.slice(0, first.values.length);
  return (
    <>
    {rows.length > 0 && <Wide name="What tells them apart, table"><Table size="small" aria-label="What tells them apart" sx={{ "& td, & th": { px: 0.75, fontSize: 14 } }}>
      <TableHead>
        <TableRow>
          <TableCell>tells apart</TableCell>
          {leaders.map((one) => <TableCell key={one.id}>{one.model}{one.serial_range ? <><br />{one.serial_range}</> : null}</TableCell>)}
        </TableRow>
      </TableHead>
      <TableBody>
        {rows.map((row) => (
          <TableRow key={row.trait}>
            <TableCell component="th" scope="row" sx={{ fontWeight: row.changes_order ? 700 : 400 }}>
              {row.name}{row.changes_order ? "" : " (same order)"}
            </TableCell>
            {row.values.map((value, index) => <TableCell key={leaders[index]?.id ?? index}>{value ?? "–"}</TableCell>)}
          </TableRow>
        ))}
      </TableBody>
    </Table></Wide>}
    <PartDifferences found={found} />
    </>
  );
}

const PARTS = 4;

/** The parts that only one of the likely orders has. */
function PartDifferences({ found }: { found: Identification }) {
  return found.part_differences.map((one, index) => (
    <p key={one.candidate} style={{ margin: "4px 6px", fontSize: 14 }}>
      <strong>Only option {String.fromCharCode(65 + index)}:</strong>{" "}
      {one.parts.slice(0, PARTS).map((part) => `${part.number} ${part.name}`).join(", ") || "no other part"}
      {one.parts.length > PARTS ? `, and ${one.parts.length - PARTS} more` : ""}
    </p>
  ));
}
