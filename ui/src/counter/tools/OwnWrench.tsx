import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import NativeSelect from "@mui/material/NativeSelect";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { useVocabulary } from "../../api/queries";
import type { TorqueUnit } from "../../api/types";
import type { LiveTicket } from "../../ticket/useTicket";

/** A torque wrench that the customer has, as it says on it; what it reaches is not lent. */
export function OwnWrench({ ticket }: { ticket: LiveTicket }) {
  const units = useVocabulary().data?.units ?? [];
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const [mark, setMark] = useState("");
  const [unit, setUnit] = useState<TorqueUnit>((ticket.view?.ticket.unit as TorqueUnit | undefined) ?? "N·m");
  const send = async (event: FormEvent) => {
    event.preventDefault();
    if (await ticket.add("Tools", { kind: "owns", has: true, from: Number(from), to: Number(to), unit, mark: mark === "" ? null : Number(mark) })) {
      setFrom("");
      setTo("");
      setMark("");
    }
  };
  return (
    <Box component="form" onSubmit={(event) => void send(event)} sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1.5, flexWrap: "wrap" }}>
      <span>The customer's torque wrench goes</span>
      <TextField size="small" type="number" label="from" value={from} onChange={(event) => setFrom(event.target.value)} sx={{ width: 90 }} slotProps={{ htmlInput: { step: "any" } }} />
      <TextField size="small" type="number" label="to" value={to} onChange={(event) => setTo(event.target.value)} sx={{ width: 90 }} slotProps={{ htmlInput: { step: "any" } }} />
      <NativeSelect value={unit} onChange={(event) => setUnit(event.target.value as TorqueUnit)} inputProps={{ "aria-label": "Unit of that wrench" }}>
        {units.map((one) => <option key={one} value={one}>{one}</option>)}
      </NativeSelect>
      <TextField size="small" type="number" label="marks every" value={mark} onChange={(event) => setMark(event.target.value)} sx={{ width: 120 }} slotProps={{ htmlInput: { step: "any" } }} />
      <Button type="submit" variant="outlined" size="small" disabled={from === "" || to === ""}>they have it</Button>
    </Box>
  );
}
