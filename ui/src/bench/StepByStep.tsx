import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMemo, useState } from "react";
import type { Bench } from "../api/types";
import { CautionLine } from "../shell/CautionLine";
import { keys, useKeys } from "../shell/keys";
import { faint, petrol } from "../shell/theme";
import { OneMoment } from "./OneMoment";
import type { LiveBench } from "./useBench";

/** One step at a time, large, with where one is and the cautions of what is about to be touched. */
export function StepByStep({ bench, live }: { bench: Bench; live: LiveBench }) {
  const { moments } = bench;
  const [at, setAt] = useState(() => Math.max(0, moments.findIndex((one) => !one.done)));
  const moment = moments[Math.min(at, moments.length - 1)];
  const last = moments.length - 1;
  useKeys(useMemo(() => ({ onward: () => setAt((now) => Math.min(now + 1, last)), backward: () => setAt((now) => Math.max(now - 1, 0)) }), [last]));
  if (!moment) return <p>There is nothing to do on this card.</p>;
  const open = moment.lines.flatMap((line) => line.boxes).filter((box) => !box.done);
  const done = async () => {
    for (const box of open) if (!(await live.note({ kind: "ticked", item: box.id, done: true }))) return;
    setAt(Math.min(at + 1, last));
  };
  return (
    <Box component="section" aria-label={moment.title}>
      <Box sx={{ display: "flex", height: 10, gap: "2px", mb: 0.5 }} aria-hidden>
        {moments.map((one, index) => <Box key={one.id} sx={{ flex: 1, bgcolor: one.done ? petrol : faint, outline: index === at ? `2px solid ${petrol}` : "none" }} />)}
      </Box>
      <Box sx={{ display: "flex", justifyContent: "space-between", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
        <Box component="h2" sx={{ fontSize: 26 }}>{moment.title}</Box>
        <span>step {at + 1} of {moments.length}{moment.done ? " · ✓ done" : ""}</span>
      </Box>
      {moment.due.map((one) => <CautionLine key={one.text} caution={one} open={moments[at - 1]?.title !== moment.title} />)}
      {moment.lines.flatMap((line) => line.cautions).map((one) => <CautionLine key={one.text} caution={one} open />)}
      <OneMoment bench={bench} moment={moment} live={live} large />
      <Box className="no-print" sx={{ position: "sticky", bottom: 0, bgcolor: "background.default", py: 1, display: "flex", gap: 1.5, flexWrap: "wrap" }}>
        <Button size="large" variant="outlined" disabled={at === 0} onClick={() => setAt(at - 1)} sx={{ fontSize: 20 }}>{keys.backward.shown} Back</Button>
        <Button size="large" variant="contained" disabled={live.busy} onClick={() => void done()} sx={{ fontSize: 20, flex: 1 }}>{open.length > 1 ? `All ${open.length} done, next` : open.length === 1 ? "Done, next" : at === last ? "This was the last step" : "Next"}</Button>
      </Box>
    </Box>
  );
}
