import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useParams } from "react-router";
import type { Bench } from "../api/types";
import { FromOutside } from "../drawing/FromOutside";
import { PlacesOfOrder } from "../orders/PlacesOfOrder";
import { CautionLine } from "../shell/CautionLine";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { useStored } from "../ticket/useStored";
import { FoundAtBench } from "./FoundAtBench";
import { OneMoment } from "./OneMoment";
import { StandingStop } from "../shell/StandingStop";
import { StepByStep } from "./StepByStep";
import { type LiveBench, useBench } from "./useBench";

/** The work card on a tablet in the workshop, in the order of the work: a step at a time, or the whole list. */
export function BenchPage() {
  const id = Number(useParams().id);
  const [pump, setPump] = useState(1);
  const [how, setHow] = useStored("gimlet bench", "step");
  const live = useBench(id, pump);
  const { bench } = live;
  // Nothing is shown to be done before what stands is seen to.
  const stands = bench?.stops.some((stop) => stop.sure) ?? false;
  return (
    <Page title={`Order ${id} at the bench`} head={bench ? `order ${bench.order_id} · ${bench.pump} · at the bench` : ""} kind="card">
      {live.missing && <p>{live.missing}</p>}
      {live.problem && <ProblemAlert>{live.problem}</ProblemAlert>}
      {bench && (
        <>
          <Box className="no-print" sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mb: 1 }}>
            {bench.pumps.length > 1 && bench.pumps.map((one) => (
              <Button key={one.pump} variant={one.pump === bench.at_pump ? "contained" : "outlined"} aria-pressed={one.pump === bench.at_pump} onClick={() => setPump(one.pump)}>
                pump {one.pump} · {one.done} of {one.of}
              </Button>
            ))}
            <Button sx={{ ml: "auto" }} onClick={() => setHow(how === "step" ? "list" : "step")}>{how === "step" ? "Show the whole list" : "A step at a time"}</Button>
            <Button href={`/api/orders/${id}/mat.pdf`} target="_blank">Mat for the old pieces (PDF)</Button>
            <Button href={`/api/orders/${id}/torques.pdf`} target="_blank">Torques reached (PDF)</Button>
          </Box>
          {stands && bench.stops.map((stop) => <StandingStop key={stop.id} order={id} stop={stop} />)}
          <FoundAtBench found={bench.found} />
          {(bench.places.lacking.length > 0 || bench.places.coming.length > 0) && <PlacesOfOrder places={bench.places} stacks={bench.stacks} folded />}
          {!stands && (how === "step" ? <StepByStep key={bench.at_pump} bench={bench} live={live} /> : <WholeList bench={bench} live={live} />)}
        </>
      )}
    </Page>
  );
}

function WholeList({ bench, live }: { bench: Bench; live: LiveBench }) {
  const { moments } = bench;
  return (
    <>
      {bench.outside.length > 0 && <FromOutside views={bench.outside} pump={bench.pump} height={110} />}
      {moments.map((moment, at) => (
        <Box component="section" key={moment.id} aria-label={moment.title}>
          {moment.title !== moments[at - 1]?.title && <Box component="h2" sx={{ fontSize: 24, mt: 3, mb: 0.5, borderBottom: "2px solid" }}>{moment.title}</Box>}
          {moment.title !== moments[at - 1]?.title && moment.due.map((one) => <CautionLine key={one.text} caution={one} />)}
          {moment.lines.flatMap((line) => line.cautions).map((one) => <CautionLine key={one.text} caution={one} open />)}
          <OneMoment bench={bench} moment={moment} live={live} large={false} />
        </Box>
      ))}
    </>
  );
}
