import Box from "@mui/material/Box";
import type { Bench, BenchMoment } from "../api/types";
import { CrankDrawing } from "../drawing/CrankDrawing";
import { Fastener } from "./Fastener";
import { Lines } from "./Lines";
import { StackPlan } from "./StackPlan";
import type { LiveBench } from "./useBench";

interface Props {
  bench: Bench;
  moment: BenchMoment;
  live: LiveBench;
  /** By itself on a tablet, or one of the whole list. */
  large: boolean;
}

/** One step with its drawing beside it. */
export function OneMoment({ bench, moment, live, large }: Props) {
  const stacks = bench.stacks.filter((one) => moment.stacks.includes(one.id));
  const fasteners = bench.tightening.filter((one) => moment.fasteners.includes(one.id));
  const refit = moment.refit ? bench.refit : null;
  const drawn = stacks.length > 0 || refit !== null;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: large && drawn ? "minmax(0, 1fr) minmax(0, 1fr)" : "minmax(0, 1fr)" }, gap: 2.5, fontSize: large ? 22 : 19 }}>
      <div>
        <Lines lines={moment.lines} live={live} />
        {fasteners.map((one) => <Fastener key={one.id} one={one} live={live} />)}
      </div>
      {drawn && (
        <div>
          {refit && <><p style={{ margin: "4px 0", fontWeight: 700 }}>{refit.text}</p><CrankDrawing refit={refit} /></>}
          {stacks.map((one) => <StackPlan key={one.id} stack={one} live={live} />)}
        </div>
      )}
    </Box>
  );
}
