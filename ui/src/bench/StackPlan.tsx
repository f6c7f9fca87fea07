import Box from "@mui/material/Box";
import type { Stack } from "../api/types";
import { FateSwatch, SectionDrawing } from "../drawing/SectionDrawing";

/** One stack to build up: its section and its pieces in order, with the way each faces. */
export function StackPlan({ stack }: { stack: Stack }) {
  return (
    <Box component="section" aria-label={stack.name} sx={{ mb: 2 }}>
      <p><strong>{stack.name}</strong>: {[stack.positions.join(", "), stack.colour, stack.spring].filter(Boolean).join("; ")}</p>
      <Box sx={{ fontSize: 16 }}>left: {stack.from} · right: {stack.towards}</Box>
      {stack.drawing && <SectionDrawing section={stack.drawing} layers={stack.layers} picked={null} />}
      <ol style={{ margin: 0, paddingLeft: 30 }}>
        {stack.layers.map((layer, index) => (
          <li key={index}>
            <FateSwatch fate={layer.drawn} /> <strong>{layer.name}</strong>{layer.told.length > 0 ? `, ${layer.told.join("; ")}` : ""} · {layer.fate}
          </li>
        ))}
      </ol>
    </Box>
  );
}
