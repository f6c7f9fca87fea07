import NativeSelect from "@mui/material/NativeSelect";
import { useCustomers, useVocabulary } from "../api/queries";
import type { TicketState } from "../api/types";
import { paper } from "../shell/theme";
import type { LiveTicket } from "../ticket/useTicket";

const style = { color: paper, "& option": { color: "black" }, "& svg": { color: paper }, "&::before": { borderColor: paper } };

/** Whose pump, and how they are present. */
export function TicketHeader({ ticket }: { ticket: LiveTicket }) {
  const customers = useCustomers().data ?? [];
  const channels = useVocabulary().data?.channels ?? [];
  return (
    <>
      <span>{ticket.id === null ? "new ticket" : `ticket ${ticket.id}`}</span>
      <NativeSelect
        sx={style}
        inputProps={{ "aria-label": "Customer" }}
        value={ticket.state.customer_id ?? ""}
        onChange={(event) => {
          const id = event.target.value === "" ? null : Number(event.target.value);
          ticket.change((state) => ({ ...state, customer_id: id }));
        }}
      >
        <option value="">customer not named</option>
        {customers.map((one) => (
          <option key={one.id} value={one.id}>{`${one.name}, ${one.place}`}</option>
        ))}
      </NativeSelect>
      <NativeSelect
        sx={style}
        inputProps={{ "aria-label": "How the customer is present" }}
        value={ticket.state.channel}
        onChange={(event) => {
          const channel = event.target.value as TicketState["channel"];
          ticket.change((state) => ({ ...state, channel }));
        }}
      >
        {channels.map((one) => (
          <option key={one.id} value={one.id}>{one.name}</option>
        ))}
      </NativeSelect>
    </>
  );
}
