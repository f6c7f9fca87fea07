import { DataGrid, type GridColDef } from "@mui/x-data-grid";
import { useNavigate } from "react-router";
import { useVocabulary } from "../api/queries";
import type { components } from "../api/schema";
import { day, percent, price } from "../shell/format";
import { surface } from "../shell/theme";

type Summary = components["schemas"]["OrderSummary"];

const columnsOf = (states: { id: string; name: string }[]): GridColDef<Summary>[] => [
  { field: "id", headerName: "order", width: 80 },
  { field: "state", headerName: "state", width: 150, valueFormatter: (value: string) => states.find((one) => one.id === value)?.name ?? value },
  { field: "created_at", headerName: "saved", width: 150, valueFormatter: (value: string) => day(value) },
  { field: "customer", headerName: "customer", flex: 1, valueFormatter: (value: string | null) => value ?? "not named" },
  { field: "model", headerName: "pump", flex: 1 },
  { field: "work", headerName: "work", flex: 1.5, valueFormatter: (value: string[]) => value.join(", ") },
  { field: "sure", headerName: "sure", width: 90, valueFormatter: (value: number) => percent(value) },
  { field: "price_cents", headerName: "price", width: 110, align: "right", headerAlign: "right", valueFormatter: (value: number) => price(value) },
];

export function OrderGrid({ orders }: { orders: Summary[] }) {
  const navigate = useNavigate();
  const columns = columnsOf(useVocabulary().data?.order_states ?? []);
  const open = (id: number) => void navigate(`/orders/${id}`);
  return (
    <div style={{ background: surface }}>
      <DataGrid
        aria-label="Orders"
        rows={orders}
        columns={columns}
        density="compact"
        autoHeight
        disableColumnMenu
        hideFooter
        disableRowSelectionOnClick
        onRowClick={(row) => open(Number(row.id))}
        onCellKeyDown={(cell, event) => event.key === "Enter" && open(Number(cell.id))}
      />
    </div>
  );
}
