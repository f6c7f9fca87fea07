import Box from "@mui/material/Box";
import { useState } from "react";
import type { Stack } from "../api/types";
import { PlayedSection } from "../drawing/PlayedSection";
import { FateSwatch } from "../drawing/SectionDrawing";
import { FoundHere } from "./FoundHere";
import type { LiveBench } from "./useBench";

/** One stack to build up: its section, its pieces in order with the way each faces, and a way to say what was found on one. */
export function StackPlan({ stack, live }: { stack: Stack; live: LiveBench }) {
  const [picked, setPicked] = useState<number | null>(null);
  return (
    <Box component="section" aria-label={stack.name} sx={{ mb: 2, fontSize: 18 }}>
      <p><strong>{stack.name}</strong>: {[stack.positions.join(", "), stack.colour, stack.spring].filter(Boolean).join("; ")}</p>
      <Box sx={{ fontSize: 16 }}>left: {stack.from} · right: {stack.towards}</Box>
      {stack.drawing && <PlayedSection name={stack.name} section={stack.drawing} layers={stack.layers} pieces={stack.layers.map((layer) => [layer.name, ...layer.told].join(", "))} built={stack.built} picked={picked} onPick={setPicked} />}
      <ol style={{ margin: 0, paddingLeft: 30 }}>
        {stack.layers.map((layer, index) => (
          <li key={index} style={{ fontWeight: picked === index ? 700 : 400 }}>
            <FateSwatch fate={layer.drawn} /> <strong>{layer.name}</strong>{layer.told.length > 0 ? `, ${layer.told.join("; ")}` : ""} · {layer.fate}
          </li>
        ))}
      </ol>
      <FoundHere stack={stack} live={live} />
    </Box>
  );
}
