import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import { type KeyboardEvent, useState } from "react";
import type { Tightening } from "../../api/types";
import { FaceDrawing } from "../../drawing/FaceDrawing";
import { keys } from "../../shell/keys";

interface Props {
  one: Tightening;
  onClose: () => void;
}

/** The fastener group turn by turn, to be read across a bench: Enter goes on, Backspace goes back, Escape closes. */
export function Walk({ one, onClose }: Props) {
  const [at, setAt] = useState(0);
  const finished = at >= one.walk.length;
  const turn = one.walk[Math.min(at, one.walk.length - 1)]!;
  const on = () => setAt((now) => Math.min(now + 1, one.walk.length));
  const back = () => setAt((now) => Math.max(now - 1, 0));
  const done = new Set(one.walk.slice(roundStart(one, at), at).map((step) => step.point));
  const onKey = (event: KeyboardEvent) => {
    if (event.key === keys.turnOn.key || event.key === " ") on();
    else if (event.key === keys.turnBack.key) back();
    else return;
    event.preventDefault();
  };
  return (
    <Dialog open onClose={onClose} onKeyDown={onKey} maxWidth={false} aria-labelledby="walk" slotProps={{ paper: { sx: { width: 1000, maxWidth: "96vw", p: 3 } } }}>
      <Box id="walk" component="h2" sx={{ m: 0, fontSize: 24 }}>{one.count} × {one.name} · {one.drive}</Box>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", alignItems: "center", mt: 1 }}>
        {one.face && <FaceDrawing face={one.face} points={one.points} width={560} done={done} {...(finished ? {} : { inHand: turn.point })} />}
        <Box sx={{ flex: 1, minWidth: 260 }} aria-live="polite">
          <Box sx={{ fontSize: 20 }}>{finished ? "every bolt is done" : `round ${turn.round + 1} of ${one.rounds.length}`}</Box>
          <Box sx={{ fontSize: 64, fontWeight: 700, lineHeight: 1.1 }}>{one.rounds[turn.round]}</Box>
          {!finished && <Box sx={{ fontSize: 30 }}>bolt {one.points[turn.point]!.order ?? one.points[turn.point]!.label}, turn {at + 1} of {one.walk.length}</Box>}
          {one.treatment && <Box sx={{ fontSize: 20 }}>threads: {one.treatment}</Box>}
        </Box>
      </Box>
      <Box sx={{ display: "flex", gap: 1.5, mt: 2 }}>
        <Button variant="contained" autoFocus disabled={finished} onClick={on}>Next (Enter)</Button>
        <Button variant="outlined" disabled={at === 0} onClick={back}>Back</Button>
        <Button onClick={onClose}>Close</Button>
      </Box>
    </Dialog>
  );
}

/** Where the round of the turn in hand began: bolts lit before it belong to an earlier round. */
function roundStart(one: Tightening, at: number): number {
  const last = Math.min(at, one.walk.length - 1);
  let start = last;
  while (start > 0 && one.walk[start - 1]!.round === one.walk[last]!.round && one.walk[start - 1]!.point !== one.walk[last]!.point) start -= 1;
  return start;
}
