import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { BenchFastener } from "../api/types";
import { Caution } from "../shell/Caution";
import { Turns } from "./Turns";
import type { LiveBench } from "./useBench";

/** A fastener group: what is asked, how far it is, and what was over, which stays to be seen. */
export function Fastener({ one, live }: { one: BenchFastener; live: LiveBench }) {
  const [open, setOpen] = useState(false);
  const done = one.at >= one.turns.length;
  const flagged = one.turns.filter((turn) => turn.verdict && turn.verdict !== "inside");
  return (
    <Box component="article" aria-label={one.name} sx={{ display: "flex", gap: 2, alignItems: "center", flexWrap: "wrap", py: 1.25, borderBottom: "1px solid", borderColor: "divider" }}>
      <Box sx={{ flex: 1, minWidth: 200 }}>
        <strong>{one.count} × {one.name}</strong> · {one.drive}
        <Box sx={{ fontSize: 30, fontWeight: 700, lineHeight: 1.2 }}>{one.rounds.join(", then ")}</Box>
        {one.treatment && <Box>threads: {one.treatment}</Box>}
        <Box>{done ? "✓ every turn is done" : `${one.at} of ${one.turns.length} turns done`}</Box>
        {flagged.map((turn) => <Caution key={turn.item}>bolt {one.points[turn.point]!.order ?? one.points[turn.point]!.label}, round {turn.round + 1}: {turn.told}</Caution>)}
        {one.over.map((text) => <Caution key={text}>{text}</Caution>)}
      </Box>
      {one.turns.length > 0 && <Button variant={done ? "outlined" : "contained"} size="large" sx={{ fontSize: 20, minWidth: 150 }} onClick={() => setOpen(true)} aria-label={`${one.name}: ${done ? "look again" : "tighten"}`}>{done ? "look again" : "tighten"}</Button>}
      {open && <Turns one={one} live={live} onClose={() => setOpen(false)} />}
    </Box>
  );
}
