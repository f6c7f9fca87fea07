import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import type { BenchSection } from "../api/types";
import type { LiveBench } from "./useBench";

/** A part of the card whose lines are ticked, each with a box as large as a thumb. */
export function Lines({ section, live }: { section: BenchSection; live: LiveBench }) {
  const boxes = section.lines.flatMap((line) => line.boxes);
  const done = boxes.filter((box) => box.done).length;
  return (
    <Box component="section" aria-label={section.title}>
      <Box component="h2" sx={{ fontSize: 24, mt: 3, mb: 0.5, borderBottom: "2px solid", display: "flex", justifyContent: "space-between" }}>
        {section.title} <span style={{ fontSize: 18, fontWeight: 400 }}>{done === boxes.length ? "✓ all done" : `${done} of ${boxes.length}`}</span>
      </Box>
      {section.lines.map((line, index) => (
        <Box key={index} sx={{ py: 0.25, borderBottom: "1px solid", borderColor: "divider" }}>
          {line.boxes[0]?.label && <Box sx={{ pt: 0.5 }}><Told line={line} /></Box>}
          {line.boxes.map((box) => (
            <FormControlLabel key={box.id} sx={{ alignItems: "flex-start", mr: 3 }}
              label={<Box sx={{ fontSize: 19, pt: 1 }}>{box.label ?? <Told line={line} />}</Box>}
              control={<Checkbox checked={box.done} onChange={(event) => void live.note({ kind: "ticked", item: box.id, done: event.target.checked })}
                sx={{ "& .MuiSvgIcon-root": { fontSize: 34 } }} />} />
          ))}
        </Box>
      ))}
    </Box>
  );
}

function Told({ line }: { line: BenchSection["lines"][number] }) {
  return <><strong>{line.strong}</strong>{line.text && `: ${line.text}`}</>;
}
