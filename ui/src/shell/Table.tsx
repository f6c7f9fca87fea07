import MuiTable from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import type { ReactNode } from "react";
import { Wide } from "./Wide";

interface Props {
  name: string;
  headings: string[];
  rows: ReactNode[][];
  /** Columns of figures. */
  right?: number[];
}

/** Rows to be read, not worked on. */
export function Table({ name, headings, rows, right = [] }: Props) {
  const align = (column: number) => (right.includes(column) ? "right" : "left");
  return (
    <Wide name={`${name}, table`}><MuiTable size="small" aria-label={name} sx={{ bgcolor: "background.paper" }}>
      <TableHead>
        <TableRow>{headings.map((heading, column) => <TableCell key={heading} align={align(column)}>{heading}</TableCell>)}</TableRow>
      </TableHead>
      <TableBody>
        {rows.map((cells, row) => (
          <TableRow key={row}>{cells.map((cell, column) => <TableCell key={column} align={align(column)} sx={{ overflowWrap: "break-word" }}>{cell}</TableCell>)}</TableRow>
        ))}
      </TableBody>
    </MuiTable></Wide>
  );
}
