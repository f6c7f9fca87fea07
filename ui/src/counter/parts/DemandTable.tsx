import Table from "@mui/material/Table";
import { Wide } from "../../shell/Wide";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableRow from "@mui/material/TableRow";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import type { Plan } from "../../api/types";
import type { LiveTicket } from "../../ticket/useTicket";

interface Props {
  demand: Plan["demand"];
  /** Without one it stands as it was agreed. */
  ticket?: LiveTicket;
}

/** Each needed part with the steps that caused it, and how many of them the customer has already. */
export function DemandTable({ demand, ticket }: Props) {
  return (
    <Wide name="Why each part, table"><Table size="small" aria-label="Why each part">
      <TableBody>
        {demand.map((line) => (
          <TableRow key={line.part}>
            <TableCell sx={{ fontWeight: 700, whiteSpace: "nowrap" }}>{line.quantity} × {line.part}</TableCell>
            <TableCell sx={{ fontSize: 15 }}>
              {line.name}. {line.reasons.join("; ")}
              {line.had > 0 && <strong> The customer has {line.had}.</strong>}
            </TableCell>
            {ticket && <TableCell padding="none"><Had key={line.had} line={line} ticket={ticket} /></TableCell>}
          </TableRow>
        ))}
      </TableBody>
    </Table></Wide>
  );
}

function Had({ line, ticket }: { line: Plan["demand"][number]; ticket: LiveTicket }) {
  const [text, setText] = useState(String(line.had));
  const send = () => {
    const quantity = Number(text);
    if (Number.isInteger(quantity) && quantity >= 0 && quantity !== line.had) void ticket.add("Parts", { kind: "had", number: line.part, quantity });
  };
  return (
    <TextField size="small" type="number" label="has" value={text} sx={{ width: 74, my: 0.5 }}
      slotProps={{ htmlInput: { min: 0, max: line.quantity, "aria-label": `${line.part}: the customer has` } }}
      onChange={(event) => setText(event.target.value)} onBlur={send} onKeyDown={(event) => { if (event.key === "Enter") send(); }} />
  );
}
