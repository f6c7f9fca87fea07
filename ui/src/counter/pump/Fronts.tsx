import Box from "@mui/material/Box";
import type { Picture } from "../../api/types";
import { PictureDrawing } from "../../drawing/PictureDrawing";

/** Fronts of the leading series side by side; what is not the same on all of them is bold. */
export function Fronts({ fronts }: { fronts: Picture[] }) {
  if (fronts.length < 2) return null;
  const same = (trait: string) => new Set(fronts.map((one) => one.seen.find((row) => row.trait === trait)?.text)).size === 1;
  return (
    <Box component="section" aria-label="Fronts compared" sx={{ display: "flex", gap: 1.5, mb: 1, alignItems: "start" }}>
      {fronts.map((one) => (
        <figure key={one.series} style={{ margin: 0, flex: 1, minWidth: 0 }}>
          <PictureDrawing picture={one} width={118} label={`${one.maker} ${one.series}, ${one.face.name}`} />
          <Box component="figcaption" sx={{ fontSize: 14, lineHeight: 1.35 }}>
            <Box sx={{ fontSize: 15, fontWeight: 700 }}>{one.maker} {one.series}</Box>
            {one.seen.map((row) => (
              <Box key={row.trait} component="span" sx={{ display: "block", fontWeight: same(row.trait) ? 400 : 700 }}>
                {same(row.trait) ? "= " : "≠ "}{row.text}
              </Box>
            ))}
          </Box>
        </figure>
      ))}
    </Box>
  );
}
