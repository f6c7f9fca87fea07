import type { components } from "../api/schema";
import { ink, petrol, rule, surface } from "../shell/theme";

type Slice = components["schemas"]["RingDrawing"];

const WIDTH = 360;
const ROOM = 2.4;
const round = (mm: number) => Math.round(mm * 100) / 100;

/** A slice through the groove, to scale: the ring as it lies squeezed, and dashed as it is when free. */
export function RingInGroove({ slice, name }: { slice: Slice; name: string }) {
  const scale = WIDTH / (slice.width_mm * ROOM);
  const [width, depth, gap] = [slice.width_mm * scale, slice.depth_mm * scale, Math.max((slice.gap_mm ?? 0.05) * scale, 2)];
  const left = (WIDTH - width) / 2;
  const top = 34;
  const bottom = top + gap + depth;
  const middle = top + gap + depth / 2;
  const flip = slice.seat === "housing" ? `matrix(1 0 0 -1 0 ${top + bottom})` : undefined;
  const free = (slice.free_mm * scale) / 2;
  return (
    <svg width="100%" viewBox={`0 0 ${WIDTH} ${bottom + 46}`} role="img" aria-label={`${name} in its groove: ${round(slice.width_mm)} mm wide, ${round(slice.depth_mm)} mm deep, the ring ${round(slice.free_mm)} mm free`} style={{ maxWidth: 460, background: surface }}>
      <g transform={flip}>
        <rect x={0} y={8} width={WIDTH} height={top - 8} fill={rule} stroke={ink} />
        <path d={`M0 ${top + gap}H${left}V${bottom}H${left + width}V${top + gap}H${WIDTH}V${bottom + 26}H0Z`} fill={rule} stroke={ink} />
        <circle cx={WIDTH / 2} cy={middle} r={free} fill="none" stroke={ink} strokeDasharray="4 4" />
        <rect x={WIDTH / 2 - (slice.ring_width_mm * scale) / 2} y={top + gap} width={slice.ring_width_mm * scale} height={depth} rx={depth / 2} fill={petrol} fillOpacity={0.85} stroke={ink} strokeWidth={1.5} />
      </g>
      <text x={WIDTH / 2} y={bottom + 42} textAnchor="middle" fontSize={13} fill={ink}>{round(slice.width_mm)} mm wide · {round(slice.depth_mm)} mm deep · ring {round(slice.free_mm)} mm free (dashed)</text>
    </svg>
  );
}
