import Box from "@mui/material/Box";
import { CrankDrawing } from "../drawing/CrankDrawing";
import { Fastener } from "./Fastener";
import { Lines } from "./Lines";
import type { Moment } from "./moments";
import { StackPlan } from "./StackPlan";
import type { LiveBench } from "./useBench";

interface Props {
  moment: Moment;
  live: LiveBench;
  /** By itself on a tablet, or one of the whole list. */
  large: boolean;
}

/** One step with its drawing beside it. */
export function OneMoment({ moment, live, large }: Props) {
  const drawn = moment.stacks.length > 0 || moment.refit !== null;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: large && drawn ? "minmax(0, 1fr) minmax(0, 1fr)" : "minmax(0, 1fr)" }, gap: 2.5, fontSize: large ? 22 : 19 }}>
      <div>
        <Lines lines={moment.lines} live={live} />
        {moment.fasteners.map((one) => <Fastener key={one.id} one={one} live={live} />)}
      </div>
      {drawn && (
        <div>
          {moment.refit && <><p style={{ margin: "4px 0", fontWeight: 700 }}>{moment.refit.text}</p><CrankDrawing refit={moment.refit} /></>}
          {moment.stacks.map((one) => <StackPlan key={one.id} stack={one} live={live} />)}
        </div>
      )}
    </Box>
  );
}
