import Box from "@mui/material/Box";
import type { Order } from "../api/types";
import { PlacesDrawing } from "../drawing/PlacesDrawing";

interface Props {
  places: Order["places"];
  stacks: Order["record"]["stacks"];
}

/** Whether the order does its job: every place that the work opens, and how it stands. */
export function PlacesOfOrder({ places, stacks }: Props) {
  if (places.stacks.length === 0) return null;
  return (
    <Box component="section" aria-label="Places of the work">
      <h2>{places.says}</h2>
      {places.lacking.map((text) => <p key={text} style={{ margin: "2px 0" }}><strong>{text}</strong></p>)}
      {places.coming.map((text) => <p key={text} style={{ margin: "2px 0" }}>{text}</p>)}
      <PlacesDrawing places={places} stacks={stacks} />
    </Box>
  );
}
