import Box from "@mui/material/Box";
import type { Picture } from "../../api/types";
import { OutsideDrawing } from "../../drawing/OutsideDrawing";

/** The leading series from outside, one beside the other: only what is not alike is picked out. */
export function SideBySide({ pictures }: { pictures: Picture[] }) {
  if (pictures.length < 2) return null;
  return (
    <Box component="section" aria-label="Side by side" sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", mt: 1, alignItems: "start" }}>
      {pictures.map((one) => (
        <figure key={one.pump} style={{ margin: 0, flex: "1 1 220px", minWidth: 0 }}>
          <figcaption style={{ fontWeight: 700 }}>{one.maker} {one.series}</figcaption>
          <Box sx={{ display: "flex", gap: 1, alignItems: "end", flexWrap: "wrap" }}>
            {one.views.map((view) => <OutsideDrawing key={view.id} view={view} width={150} height={110} marked={one.marked} label={`${one.maker} ${one.series} ${view.name}`} />)}
          </Box>
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, fontSize: 15 }}>
            {one.seen.map((row) => <li key={row.trait}>{row.text}</li>)}
          </Box>
        </figure>
      ))}
    </Box>
  );
}
