import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import type { BenchFastener } from "../api/types";
import { FaceDrawing } from "../drawing/FaceDrawing";
import { Caution } from "../shell/Caution";
import type { LiveBench } from "./useBench";
import { WrenchStandIn } from "./WrenchStandIn";

interface Props {
  one: BenchFastener;
  live: LiveBench;
  onClose: () => void;
}

/** Turn by turn with the wrench: the bolt in hand, what is asked, and what was reached, typed or sent by a digital wrench. */
export function Turns({ one, live, onClose }: Props) {
  const [looked, setLooked] = useState<number | null>(null);
  const [reading, setReading] = useState("");
  const at = looked ?? one.at;
  const finished = at >= one.turns.length;
  const turn = one.turns[Math.min(at, one.turns.length - 1)]!;
  const point = one.points[turn.point]!;
  const done = new Set(one.turns.filter((other) => other.round === turn.round && other.done).map((other) => other.point));
  const send = async (text: string, by: "typed" | "wrench") => {
    if (await live.note({ kind: "tightened", fastener: one.id, turn: at, reading: text, by })) setReading("");
    setLooked(null);
  };
  const submitLabel = turn.allowed === null ? "Done (Enter)" : reading.trim() === "" ? "It clicked (Enter)" : "Keep (Enter)";
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (live.busy) return;
    if (turn.allowed === null || reading.trim() === "") void live.note({ kind: "ticked", item: turn.item, done: true }).then(() => setLooked(null));
    else void send(reading, "typed");
  };
  return (
    <Dialog open onClose={onClose} maxWidth={false} aria-labelledby="turns" slotProps={{ paper: { sx: { width: 1040, maxWidth: "96vw", p: 3 } } }}>
      <Box id="turns" component="h2" sx={{ m: 0, fontSize: 24 }}>{one.count} × {one.name} · {one.drive}</Box>
      <Box sx={{ display: "flex", gap: 4, flexWrap: "wrap", mt: 1 }}>
        {one.face && <FaceDrawing face={one.face} points={one.points} width={520} done={done} {...(finished ? {} : { inHand: turn.point })} />}
        <Box component="form" onSubmit={submit} sx={{ flex: 1, minWidth: 300 }}>
          <Box aria-live="polite">
            <Box sx={{ fontSize: 20 }}>{finished ? "every turn is done" : `round ${turn.round + 1} of ${one.rounds.length}`}</Box>
            <Box sx={{ fontSize: 60, fontWeight: 700, lineHeight: 1.1 }}>{one.rounds[turn.round]}</Box>
            {!finished && <Box sx={{ fontSize: 28 }}>bolt {point.order ?? point.label}, turn {at + 1} of {one.turns.length}</Box>}
            {!finished && turn.allowed && <Box sx={{ fontSize: 20 }}>passes from {turn.allowed[0]} to {turn.allowed[1]}</Box>}
            {one.treatment && <Box sx={{ fontSize: 20 }}>threads: {one.treatment}</Box>}
            {!finished && turn.told && (turn.verdict === "inside" ? <p>✓ {turn.told}</p> : <Caution>{turn.told}</Caution>)}
            {live.problem && <Caution>{live.problem}</Caution>}
          </Box>
          {!finished && turn.allowed && (
            <TextField autoFocus fullWidth label="reached" value={reading} onChange={(event) => setReading(event.target.value)} placeholder="figure, or figure and unit" sx={{ mt: 1.5 }} slotProps={{ htmlInput: { inputMode: "decimal", style: { fontSize: 24 } } }} />
          )}
          <Box sx={{ display: "flex", gap: 1.5, mt: 2 }}>
            {/* Never disabled while it is busy: a disabled button loses the focus, and the next Enter goes nowhere. */}
            {!finished && <Button key={turn.allowed === null ? "tick" : "read"} type="submit" variant="contained" size="large" autoFocus={turn.allowed === null}>{submitLabel}</Button>}
            <Button variant="outlined" size="large" disabled={at === 0} onClick={() => setLooked(Math.max(at - 1, 0))}>Back</Button>
            <Button size="large" onClick={onClose}>Close</Button>
          </Box>
          {!finished && turn.allowed && <WrenchStandIn onSend={(text) => void send(text, "wrench")} />}
        </Box>
      </Box>
    </Dialog>
  );
}
