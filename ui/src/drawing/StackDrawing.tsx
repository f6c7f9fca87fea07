import Box from "@mui/material/Box";
import type { Stack } from "../api/types";

/** A stack laid out in order, with the way each piece looks. */
export function StackDrawing({ stack }: { stack: Stack }) {
  return (
    <Box component="figure" sx={{ m: 0, mb: 1.25 }}>
      <figcaption>
        <strong>{stack.name}</strong>{stack.colour ? ` · ${stack.colour}` : ""}{stack.spring ? ` · ${stack.spring}` : ""}
      </figcaption>
      <Box component="ol" sx={{ display: "flex", listStyle: "none", m: 0, p: 0, alignItems: "stretch", fontSize: 14 }}>
        <Box component="li" sx={{ alignSelf: "center", pr: 1, width: 78, textAlign: "right" }}>{stack.from} ▸</Box>
        {stack.layers.map((layer) => (
          <Box component="li" key={layer.name} sx={{ flex: 1, minWidth: 0, border: "1px solid", borderColor: "text.secondary", borderStyle: layer.fate === "keep" ? "dashed" : "solid", ml: "-1px", p: 0.5, textAlign: "center" }}>
            <strong>{layer.name}</strong>
            {layer.facing && <div>{layer.facing}</div>}
            <div>{[layer.fate, layer.lube].filter(Boolean).join(", ")}</div>
          </Box>
        ))}
        <Box component="li" sx={{ alignSelf: "center", pl: 1, width: 84 }}>▸ {stack.towards}</Box>
      </Box>
    </Box>
  );
}
