import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import NativeSelect from "@mui/material/NativeSelect";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { useVocabulary } from "../../api/queries";
import type { Tightening, TorqueUnit } from "../../api/types";
import type { LiveTicket } from "../../ticket/useTicket";


interface Props {
  one: Tightening;
  unit: string;
  ticket: LiveTicket;
}

/** For want of a value on file: one that the specialist looked up, never without where it stands. */
export function ValueForm({ one, unit: usual, ticket }: Props) {
  const units = useVocabulary().data?.units ?? [];
  const [value, setValue] = useState("");
  const [unit, setUnit] = useState(usual as TorqueUnit);
  const [source, setSource] = useState("");
  const pump = ticket.view?.pump?.id;
  if (!pump) return null;
  if (one.entered) {
    return <Button size="small" onClick={() => void ticket.add("Tightening", { kind: "entered", pump, fastener: one.fastener, value: null })} aria-label={`${one.name}: take the value back`}>take it back</Button>;
  }
  const send = (event: FormEvent) => {
    event.preventDefault();
    void ticket.add("Tightening", { kind: "entered", pump, fastener: one.fastener, value: Number(value), unit, source });
  };
  return (
    <Box component="form" onSubmit={send} aria-label={`${one.name}: enter a value`} sx={{ display: "flex", gap: 1, alignItems: "center", mt: 0.75, flexWrap: "wrap" }}>
      <TextField size="small" type="number" label="value found" value={value} onChange={(event) => setValue(event.target.value)} sx={{ width: 120 }} slotProps={{ htmlInput: { step: "any" } }} />
      <NativeSelect value={unit} onChange={(event) => setUnit(event.target.value as TorqueUnit)} inputProps={{ "aria-label": `${one.name}: unit of the value` }}>
        {units.map((other) => <option key={other} value={other}>{other}</option>)}
      </NativeSelect>
      <TextField size="small" label="where it stands" value={source} onChange={(event) => setSource(event.target.value)} sx={{ width: 230 }} />
      <Button type="submit" variant="outlined" size="small" disabled={value === ""}>enter it</Button>
    </Box>
  );
}
