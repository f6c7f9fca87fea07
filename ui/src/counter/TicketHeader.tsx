import Box from "@mui/material/Box";
import NativeSelect from "@mui/material/NativeSelect";
import { useCustomers, useVocabulary } from "../api/queries";
import type { TicketView } from "../api/types";
import { ProblemNote } from "../shell/ProblemNote";
import { onBar } from "../shell/theme";
import { useSession } from "../shell/useSession";
import type { LiveTicket } from "../ticket/useTicket";

const style = { color: onBar, minWidth: 0, maxWidth: "100%", "& select": { textOverflow: "ellipsis" }, "& option": { color: "black" }, "& svg": { color: onBar }, "&::before": { borderColor: onBar } };

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  who: string;
  onWho: (name: string) => void;
}

/** Whose pump, how they are present, and who is typing. */
export function TicketHeader({ ticket, view, who, onWho }: Props) {
  const customers = useCustomers().data ?? [];
  const signedIn = Boolean(useSession().data?.person);
  const channels = useVocabulary().data?.channels ?? [];
  return (
    <>
      <span style={{ whiteSpace: "nowrap" }}>{view.id === null ? "new ticket" : `ticket ${view.id}`}</span>
      <NativeSelect
        sx={style}
        inputProps={{ "aria-label": "Customer" }}
        value={view.ticket.customer_id ?? ""}
        onChange={(event) => {
          const id = event.target.value === "" ? null : Number(event.target.value);
          event.target.blur();
          void ticket.add("header", { kind: "customer", customer_id: id });
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
        value={view.ticket.channel}
        onChange={(event) => {
          // What is typed next goes into the line.
          event.target.blur();
          void ticket.add("header", { kind: "channel", channel: event.target.value as TicketView["ticket"]["channel"] });
        }}
      >
        {channels.map((one) => (
          <option key={one.id} value={one.id}>{one.name}</option>
        ))}
      </NativeSelect>
      {!signedIn && <Box component="label" sx={{ display: "flex", gap: 0.75, alignItems: "center" }}>
        typing:
        <Box component="input" aria-label="Who is typing" maxLength={40} value={who}
          onChange={(event: React.ChangeEvent<HTMLInputElement>) => onWho(event.target.value)}
          sx={{ width: 92, font: "inherit", color: onBar, bgcolor: "transparent", border: 0, borderBottom: `1px solid ${onBar}` }} />
      </Box>}
      <ProblemNote ticket={ticket} where="header" />
    </>
  );
}
