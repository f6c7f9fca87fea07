import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Slider from "@mui/material/Slider";
import { useState } from "react";

const SMALLEST_MM = 1;
const LARGEST_MM = 80;
const RESOLUTION_MM = 0.01;

/** Stands in for a wireless caliper: its button types the reading into the open measurement, as such a device does. */
export function CaliperStandIn({ onSend }: { onSend: (text: string) => void }) {
  const [jaws, setJaws] = useState(20);
  const reading = `${jaws.toFixed(2)} mm`;
  return (
    <Box component="section" aria-label="Caliper stand-in" sx={{ borderTop: "1px solid", borderColor: "divider", mt: 2, pt: 0.5, maxWidth: 420 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "center" }}>
        <span>Caliper (stand-in)</span>
        <Button size="small" variant="outlined" onClick={() => onSend(`${reading} caliper`)}>Send {reading}</Button>
      </Box>
      <Slider size="small" aria-label="Jaws in mm" value={jaws} min={SMALLEST_MM} max={LARGEST_MM} step={RESOLUTION_MM}
        onChange={(_, value) => setJaws(value as number)} />
    </Box>
  );
}
