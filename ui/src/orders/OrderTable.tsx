import MuiTable from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import TableSortLabel from "@mui/material/TableSortLabel";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { useVocabulary } from "../api/queries";
import type { components } from "../api/schema";
import { day, percent, price } from "../shell/format";
import { Wide } from "../shell/Wide";

type Summary = components["schemas"]["OrderSummary"];
type States = readonly { id: string; name: string }[];

interface Column {
  name: string;
  /** What it is sorted by. */
  by: (order: Summary, states: States) => string | number;
  shown: (order: Summary, states: States) => string;
  figures?: true;
}

const COLUMNS: readonly Column[] = [
  { name: "order", by: (one) => one.id, shown: (one) => String(one.id) },
  { name: "state", by: (one, states) => states.findIndex((state) => state.id === one.state), shown: (one, states) => states.find((state) => state.id === one.state)?.name ?? one.state },
  { name: "saved", by: (one) => one.created_at, shown: (one) => day(one.created_at) },
  { name: "customer", by: (one) => one.customer ?? "", shown: (one) => one.customer ?? "not named" },
  { name: "pump", by: (one) => one.model, shown: (one) => one.model },
  { name: "work", by: (one) => one.work.join(), shown: (one) => one.work.join(", ") },
  { name: "sure", by: (one) => one.sure, shown: (one) => percent(one.sure), figures: true },
  { name: "price", by: (one) => one.price_cents, shown: (one) => price(one.price_cents), figures: true },
];

const before = (one: string | number, other: string | number) =>
  typeof one === "number" && typeof other === "number" ? one - other : String(one).localeCompare(String(other));

/** Orders to open; a heading sorts those that are shown. */
export function OrderTable({ orders }: { orders: Summary[] }) {
  const navigate = useNavigate();
  const states = useVocabulary().data?.order_states ?? [];
  const [sorted, setSorted] = useState<{ column: Column; down: boolean } | null>(null);
  const rows = sorted ? [...orders].sort((one, other) => before(sorted.column.by(one, states), sorted.column.by(other, states)) * (sorted.down ? -1 : 1)) : orders;
  const align = (column: Column) => (column.figures ? "right" : "left");
  const sort = (column: Column) => setSorted({ column, down: sorted?.column === column && !sorted.down });
  return (
    <Wide name="Orders, table">
      <MuiTable size="small" aria-label="Orders" sx={{ bgcolor: "background.paper" }}>
        <TableHead>
          <TableRow>
            {COLUMNS.map((column) => (
              <TableCell key={column.name} align={align(column)} sortDirection={sorted?.column === column && (sorted.down ? "desc" : "asc")}>
                <TableSortLabel active={sorted?.column === column} direction={sorted?.down ? "desc" : "asc"} onClick={() => sort(column)}>{column.name}</TableSortLabel>
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((order) => (
            <TableRow key={order.id} hover sx={{ cursor: "pointer" }} onClick={() => void navigate(`/orders/${order.id}`)}>
              {COLUMNS.map((column, at) => (
                <TableCell key={column.name} align={align(column)}>
                  {at === 0 ? <Link to={`/orders/${order.id}`}>{column.shown(order, states)}</Link> : column.shown(order, states)}
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </MuiTable>
    </Wide>
  );
}
