import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useParams } from "react-router";
import type { BenchFastener } from "../api/types";
import { CrankDrawing } from "../drawing/CrankDrawing";
import { Caution } from "../shell/Caution";
import { Page } from "../shell/Page";
import { Lines } from "./Lines";
import { StackPlan } from "./StackPlan";
import { Turns } from "./Turns";
import { type LiveBench, useBench } from "./useBench";
import { ProblemAlert } from "../shell/ProblemAlert";

/** The work card on a tablet in the workshop: lines to tick, stacks and bolt faces to look at, and what the wrench read. */
export function BenchPage() {
  const id = Number(useParams().id);
  const live = useBench(id);
  const { bench } = live;
  return (
    <Page title={`Order ${id} at the bench`} head={bench ? `order ${bench.order_id} · ${bench.pump} · at the bench` : ""} kind="card">
      {live.missing && <p>{live.missing}</p>}
      {live.problem && <ProblemAlert>{live.problem}</ProblemAlert>}
      {bench && (
        <>
          {bench.cautions.map((text) => <Caution key={text}>{text}</Caution>)}
          {bench.sections.filter((one) => !one.afterwards).map((one) => <Lines key={one.title} section={one} live={live} />)}
          {bench.stacks.length > 0 && <Heading>Which way round</Heading>}
          {bench.stacks.map((one) => <StackPlan key={one.id} stack={one} />)}
          {bench.refit && (
            <>
              <Heading>Before the manifold goes on</Heading>
              <p style={{ margin: "4px 0", fontWeight: 700 }}>{bench.refit.text}</p>
              <CrankDrawing refit={bench.refit} />
            </>
          )}
          {bench.tightening.length > 0 && <Heading>Tighten</Heading>}
          {bench.tightening.map((one) => <Fastener key={one.id} one={one} live={live} />)}
          {bench.sections.filter((one) => one.afterwards).map((one) => <Lines key={one.title} section={one} live={live} />)}
        </>
      )}
    </Page>
  );
}

function Heading({ children }: { children: string }) {
  return <Box component="h2" sx={{ fontSize: 24, mt: 3, mb: 0.5, borderBottom: "2px solid" }}>{children}</Box>;
}

function Fastener({ one, live }: { one: BenchFastener; live: LiveBench }) {
  const [open, setOpen] = useState(false);
  const done = one.at >= one.turns.length;
  const flagged = one.turns.filter((turn) => turn.verdict && turn.verdict !== "inside");
  return (
    <Box component="article" aria-label={one.name} sx={{ display: "flex", gap: 2, alignItems: "center", py: 1.25, borderBottom: "1px solid", borderColor: "divider" }}>
      <Box sx={{ flex: 1 }}>
        <strong>{one.count} × {one.name}</strong> · {one.drive}
        <Box sx={{ fontSize: 26, fontWeight: 700 }}>{one.rounds.join(", then ")}</Box>
        {one.treatment && <Box>threads: {one.treatment}</Box>}
        <Box>{done ? "✓ every turn is done" : `${one.at} of ${one.turns.length} turns done`}</Box>
        {flagged.map((turn) => <Caution key={turn.item}>bolt {one.points[turn.point]!.order ?? one.points[turn.point]!.label}, round {turn.round + 1}: {turn.told}</Caution>)}
      </Box>
      {one.turns.length > 0 && <Button variant={done ? "outlined" : "contained"} size="large" sx={{ fontSize: 20, minWidth: 150 }} onClick={() => setOpen(true)} aria-label={`${one.name}: tighten`}>{done ? "look again" : "tighten"}</Button>}
      {open && <Turns one={one} live={live} onClose={() => setOpen(false)} />}
    </Box>
  );
}
