import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import NativeSelect from "@mui/material/NativeSelect";
import Slider from "@mui/material/Slider";
import { useState } from "react";
import { useVocabulary } from "../api/queries";

/** Stands in for a digital torque wrench: it sends the highest torque it felt, in the unit that it is set to, as such a device does. */
export function WrenchStandIn({ onSend }: { onSend: (text: string) => void }) {
  const units = useVocabulary().data?.units ?? [];
  const [felt, setFelt] = useState(20);
  const [unit, setUnit] = useState("N·m");
  const reading = `${felt} ${unit}`;
  return (
    <Box component="section" aria-label="Digital wrench stand-in" sx={{ borderTop: "1px solid", borderColor: "divider", mt: 2.5, pt: 1, fontSize: 16 }}>
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", justifyContent: "space-between" }}>
        <span>Digital wrench (stand-in), reads</span>
        <NativeSelect value={unit} onChange={(event) => setUnit(event.target.value)} inputProps={{ "aria-label": "Unit that the wrench reads" }}>
          {units.map((one) => <option key={one} value={one}>{one}</option>)}
        </NativeSelect>
        <Button size="small" variant="outlined" onClick={() => onSend(reading)}>Send {reading}</Button>
      </Box>
      <Slider size="small" aria-label="Highest torque felt" value={felt} min={1} max={400} step={0.1} onChange={(_, value) => setFelt(value as number)} />
    </Box>
  );
}
