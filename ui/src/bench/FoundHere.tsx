import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import NativeSelect from "@mui/material/NativeSelect";
import { useState } from "react";
import { useVocabulary } from "../api/queries";
import type { NewBenchEntry, Stack } from "../api/types";
import type { LiveBench } from "./useBench";

type Outcome = NonNullable<NewBenchEntry["outcome"]>;

/** A piece that is not as the card expects: said here, it goes back to the counter, with what it costs. */
export function FoundHere({ stack, live }: { stack: Stack; live: LiveBench }) {
  const outcomes = useVocabulary().data?.outcomes ?? [];
  const pieces = stack.layers.filter((layer) => layer.slot !== null);
  const [slot, setSlot] = useState(pieces[0]?.slot ?? "");
  const [position, setPosition] = useState("");
  if (pieces.length === 0) return null;
  return (
    <details className="no-print" style={{ fontSize: 17 }}>
      <summary>Found something else on a piece?</summary>
      <Box data-keeps-focus sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", pt: 0.5 }}>
        <NativeSelect value={slot} inputProps={{ "aria-label": `${stack.name}: which piece` }} onChange={(event) => setSlot(event.target.value)}>
          {pieces.map((layer, index) => <option key={index} value={layer.slot!}>{layer.name}</option>)}
        </NativeSelect>
        <NativeSelect value={position} inputProps={{ "aria-label": `${stack.name}: where` }} onChange={(event) => setPosition(event.target.value)}>
          <option value="">everywhere</option>
          {stack.positions.map((one) => <option key={one} value={one}>{one}</option>)}
        </NativeSelect>
        {outcomes.map((one) => (
          <Button key={one.id} variant="outlined" onClick={() => void live.note({ kind: "found", slot, position: position || null, outcome: one.id as Outcome })}>{one.name}</Button>
        ))}
      </Box>
    </details>
  );
}
