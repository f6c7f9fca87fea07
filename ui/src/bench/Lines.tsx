import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import type { BenchMoment } from "../api/types";
import type { LiveBench } from "./useBench";

/** Lines that are ticked, each with a box as large as a thumb. */
export function Lines({ lines, live }: { lines: BenchMoment["lines"]; live: LiveBench }) {
  return lines.map((line, index) => (
    <Box key={index} role="group" aria-label={line.strong} sx={{ py: 0.25, borderBottom: "1px solid", borderColor: "divider" }}>
      {line.boxes[0]?.label && <Box sx={{ pt: 0.5 }}><Told line={line} /></Box>}
      {line.boxes.map((box) => (
        <FormControlLabel key={box.id} sx={{ alignItems: "flex-start", mr: 3 }}
          label={<Box sx={{ font: "inherit", pt: 1 }}>{box.label ?? <Told line={line} />}</Box>} slotProps={{ typography: { sx: { font: "inherit" } } }}
          control={<Checkbox checked={box.done} onChange={(event) => void live.note({ kind: "ticked", item: box.id, done: event.target.checked })}
            slotProps={{ input: { "aria-label": box.label ? `${line.strong}: ${box.label}` : line.strong } }} sx={{ "& .MuiSvgIcon-root": { fontSize: 34 } }} />} />
      ))}
    </Box>
  ));
}

function Told({ line }: { line: BenchMoment["lines"][number] }) {
  const [first, ...rest] = line.sentences;
  return (
    <>
      <strong>{line.strong}</strong>{first && `: ${first}`}
      {rest.length > 0 && <ul style={{ margin: "4px 0 0", paddingLeft: "1.1em" }}>{rest.map((sentence) => <li key={sentence}>{sentence}</li>)}</ul>}
    </>
  );
}
