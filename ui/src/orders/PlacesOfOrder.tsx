import Box from "@mui/material/Box";
import type { Order } from "../api/types";
import { PlacesDrawing } from "../drawing/PlacesDrawing";

interface Props {
  places: Order["places"];
  stacks: Order["record"]["stacks"];
  /** Beside the work only what is lacking is said; the rest opens. */
  folded?: boolean;
}

/** Whether the order does its job: every place that the work opens, and how it stands. */
export function PlacesOfOrder({ places, stacks, folded = false }: Props) {
  if (places.stacks.length === 0) return null;
  return (
    <Box component="section" aria-label="Places of the work">
      {!folded && <h2>{places.says}</h2>}
      {places.lacking.map((text) => <p key={text} style={{ margin: "2px 0" }}><strong>{text}</strong></p>)}
      {folded ? <details><summary>{places.says}</summary><Drawn places={places} stacks={stacks} /></details> : <Drawn places={places} stacks={stacks} />}
    </Box>
  );
}

function Drawn({ places, stacks }: Props) {
  return (
    <>
      {places.coming.map((text) => <p key={text} style={{ margin: "2px 0" }}>{text}</p>)}
      <PlacesDrawing places={places} stacks={stacks} />
    </>
  );
}
