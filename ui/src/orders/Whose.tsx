import Autocomplete from "@mui/material/Autocomplete";
import TextField from "@mui/material/TextField";
import { Link } from "react-router";
import { useCustomers } from "../api/queries";
import type { OrderSteps } from "./useOrderSteps";

/** Whose order it is; said here where it was saved without a name. */
export function Whose({ steps }: { steps: OrderSteps }) {
  const { order } = steps;
  const customers = useCustomers().data ?? [];
  if (order.customer_id !== null) return <Link to={`/desk/customers/${order.customer_id}`}>{order.customer}</Link>;
  return (
    <Autocomplete
      size="small"
      sx={{ width: 320, maxWidth: "100%", display: "inline-flex" }}
      options={customers}
      getOptionLabel={(one) => [one.name, one.place].filter(Boolean).join(", ")}
      getOptionKey={(one) => one.id}
      onChange={(_, one) => { if (one) void steps.step({ kind: "name", customer_id: one.id }); }}
      renderInput={(props) => <TextField {...props} label="Whose is it? Nobody is named yet" />}
    />
  );
}
