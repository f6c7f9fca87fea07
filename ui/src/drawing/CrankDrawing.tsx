import type { Refit } from "../api/types";
import { ink, surface } from "../shell/theme";

const WIDTH = 420;
const BAR = 26;
const REACH = 140;
const LEFT = 84;

/** How far each plunger stands out of the crankcase, to scale; the first to enter are marked. */
export function CrankDrawing({ refit }: { refit: Refit }) {
  const told = refit.plungers.map((one) => `plunger ${one.cylinder} ${one.out_mm} mm out${one.first ? ", enters first" : ""}`).join("; ");
  const height = refit.plungers.length * (BAR + 12) + 8;
  return (
    <svg role="img" aria-label={told} viewBox={`0 0 ${WIDTH} ${height}`} width={WIDTH} style={{ maxWidth: "100%" }}>
      <rect x={0} y={0} width={LEFT - 8} height={height} fill="none" stroke={ink} />
      <text x={6} y={height / 2 + 4} fontSize={13} fill={ink}>crankcase</text>
      {refit.plungers.map((one, index) => {
        const y = 8 + index * (BAR + 12);
        const out = 14 + (one.out_mm / refit.stroke_mm) * REACH;
        return (
          <g key={one.cylinder}>
            <rect x={LEFT - 8} y={y} width={out} height={BAR} fill={one.first ? ink : surface} stroke={ink} strokeWidth={1.5} />
            <text x={LEFT + out} y={y + BAR - 8} fontSize={15} fill={ink} fontWeight={one.first ? 700 : 400}>
              {one.cylinder}: {one.out_mm} mm out{one.first ? ", enters first" : ""}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
