import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import type { TicketView } from "../../api/types";
import { OutsideDrawing } from "../../drawing/OutsideDrawing";
import { onPetrol, petrol } from "../../shell/theme";

interface Props {
  drips: NonNullable<TicketView["drips"]>;
  /** Told as the caller would say it. */
  onTell: (words: string) => void;
}

/** Where does it drip? Pointed at on the pump, or picked beside it. */
export function WhereItDrips({ drips: { view, places, elsewhere }, onTell }: Props) {
  return (
    <Box component="section" aria-label="Where does it drip?" sx={{ border: `2px solid ${petrol}`, borderRadius: 1, p: 1.25, mb: 1.5 }}>
      <Box sx={{ fontSize: 19, fontWeight: 700, mb: 0.75 }}>“Where does it drip?”</Box>
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "start" }}>
        <OutsideDrawing view={view} width={360} height={230} label="Where it drips"
          spots={places.map((one, index) => ({ name: one.name, text: String(index + 1), x: one.x_mm, y: one.y_mm, press: () => onTell(one.say) }))} />
        <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0, flex: "1 1 200px" }}>
          {places.map((one, index) => (
            <li key={one.id}>
              <ButtonBase onClick={() => onTell(one.say)} sx={{ font: "inherit", gap: 1, py: 0.4, width: "100%", justifyContent: "flex-start", textAlign: "left" }}>
                <Box component="span" sx={{ width: 24, height: 24, borderRadius: "50%", bgcolor: petrol, color: onPetrol, display: "grid", placeItems: "center", fontSize: 14, flexShrink: 0 }}>{index + 1}</Box>
                {one.name}
              </ButtonBase>
            </li>
          ))}
          {elsewhere.map((one) => (
            <li key={one.id}>
              <ButtonBase onClick={() => onTell(one.say)} sx={{ font: "inherit", py: 0.4, pl: 4, width: "100%", justifyContent: "flex-start", textAlign: "left" }}>{one.name}</ButtonBase>
            </li>
          ))}
        </Box>
      </Box>
    </Box>
  );
}
