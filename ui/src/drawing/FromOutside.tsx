import Box from "@mui/material/Box";
import type { OutsideView } from "../api/types";
import { OutsideDrawing } from "./OutsideDrawing";

interface Props {
  views: OutsideView[];
  pump: string;
  height?: number;
}

/** A pump from the front, from the side and from above. */
export const FromOutside = ({ views, pump, height = 130 }: Props) => (
  <Box sx={{ display: "flex", gap: 2.5, flexWrap: "wrap", alignItems: "end" }}>
    {views.map((view) => (
      <figure key={view.id} style={{ margin: 0 }}>
        <OutsideDrawing view={view} width={height * 1.6} height={height} label={`${pump} ${view.name}`} />
        <figcaption style={{ fontSize: 14 }}>{view.name}</figcaption>
      </figure>
    ))}
  </Box>
);
