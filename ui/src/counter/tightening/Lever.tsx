import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import type { LiveTicket } from "../../ticket/useTicket";

/** An extension in line with the wrench lowers what it is set to; one at a right angle does not. */
export function Lever({ ticket }: { ticket: LiveTicket }) {
  const known = ticket.view?.ticket.extension;
  const [lever, setLever] = useState(known ? String(known.lever_mm) : "");
  const [extension, setExtension] = useState(known ? String(known.extension_mm) : "");
  const [angle, setAngle] = useState(String(known?.angle_deg ?? 0));
  const send = (event: FormEvent) => {
    event.preventDefault();
    void ticket.add("Tightening", { kind: "extension", lever_mm: Number(lever), extension_mm: Number(extension), angle_deg: Number(angle) });
  };
  const without = () => {
    setLever("");
    setExtension("");
    void ticket.add("Tightening", { kind: "extension", lever_mm: null, extension_mm: null });
  };
  return (
    <details style={{ margin: "8px 0" }} open={Boolean(known)}>
      <summary>an extension or crow's foot on the wrench</summary>
      <Box component="form" onSubmit={send} sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1, flexWrap: "wrap" }}>
        <TextField size="small" type="number" label="lever, mm" value={lever} onChange={(event) => setLever(event.target.value)} sx={{ width: 120 }} slotProps={{ htmlInput: { step: "any" } }} />
        <TextField size="small" type="number" label="extension, mm" value={extension} onChange={(event) => setExtension(event.target.value)} sx={{ width: 140 }} slotProps={{ htmlInput: { step: "any" } }} />
        <TextField size="small" type="number" label="turned by, °" value={angle} onChange={(event) => setAngle(event.target.value)} sx={{ width: 120 }} slotProps={{ htmlInput: { step: "any" } }} />
        <Button type="submit" variant="outlined" size="small" disabled={angle === "" || lever === "" || extension === ""}>set for it</Button>
        {known && <Button size="small" onClick={without}>without</Button>}
      </Box>
    </details>
  );
}
