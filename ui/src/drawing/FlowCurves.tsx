import type { components } from "../api/schema";
import { ink, petrol, rule, surface } from "../shell/theme";

type Curves = NonNullable<components["schemas"]["MeasuredFlow"]["curves"]>;

const [WIDTH, HEIGHT, LEFT, BOTTOM, TOP, RIGHT] = [560, 300, 52, 42, 14, 14];
const TICKS = 5;
const NICE = [1, 2, 2.5, 5, 10];

/** A round step that divides the axis into about five. */
function step(most: number): number {
  const raw = most / TICKS;
  const power = 10 ** Math.floor(Math.log10(raw));
  return power * (NICE.find((one) => one * power >= raw) ?? 10);
}
const ticks = (most: number) => Array.from({ length: Math.floor(most / step(most)) + 1 }, (_, at) => at * step(most));

/** What the pump gives (flat), what the nozzle takes (rising), and where they meet; the square is what gauge and bucket say. */
export function FlowCurves({ curves }: { curves: Curves }) {
  const mostP = Math.max(...[...curves.pump, ...curves.nozzle].map(([p]) => p ?? 0));
  const mostQ = Math.max(...[...curves.pump, ...curves.nozzle].map(([, q]) => q ?? 0)) * 1.15;
  const x = (p: number) => LEFT + (p / mostP) * (WIDTH - LEFT - RIGHT);
  const y = (q: number) => HEIGHT - BOTTOM - (q / mostQ) * (HEIGHT - BOTTOM - TOP);
  const line = (points: number[][]) => points.map(([p = 0, q = 0], at) => `${at === 0 ? "M" : "L"}${x(p).toFixed(1)} ${y(q).toFixed(1)}`).join("");
  const [workP = 0, workQ = 0] = curves.working;
  const [from, upTo] = curves.range?.pressure ?? [];
  const { flow, pressure } = curves.units;
  const label = curves.nozzle.find(([p]) => (p ?? 0) >= mostP * 0.3) ?? curves.working;
  return (
    <svg width="100%" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} role="img" aria-label={`The pump's flow and the nozzle's meet at ${workP} ${pressure}, ${workQ} ${flow}`} style={{ maxWidth: 700, background: surface }}>
      {typeof upTo === "number" && (
        <g>
          <rect x={x(from ?? 0)} y={TOP} width={Math.max(x(Math.min(upTo, mostP)) - x(from ?? 0), 0)} height={HEIGHT - BOTTOM - TOP} fill={petrol} fillOpacity={0.1} />
          <text x={x(from ?? 0) + 6} y={TOP + 14} fontSize={13} fill={ink}>{curves.range?.name} can be set here</text>
        </g>
      )}
      {ticks(mostP).map((p) => <g key={p}><path d={`M${x(p)} ${TOP}V${HEIGHT - BOTTOM}`} stroke={rule} /><text x={x(p)} y={HEIGHT - BOTTOM + 16} fontSize={12} textAnchor="middle" fill={ink}>{Number(p.toFixed(2))}</text></g>)}
      {ticks(mostQ).map((q) => <g key={q}><path d={`M${LEFT} ${y(q)}H${WIDTH - RIGHT}`} stroke={rule} /><text x={LEFT - 6} y={y(q) + 4} fontSize={12} textAnchor="end" fill={ink}>{Number(q.toFixed(2))}</text></g>)}
      <path d={line(curves.pump)} stroke={ink} strokeWidth={3} fill="none" />
      <text x={LEFT + 8} y={y(workQ) - 7} fontSize={13} fill={ink}>the pump gives</text>
      <path d={line(curves.nozzle)} stroke={petrol} strokeWidth={3} strokeDasharray="9 4" fill="none" />
      <text x={x(label[0] ?? 0)} y={y(label[1] ?? 0) + 24} fontSize={13} fill={petrol}>the nozzle takes</text>
      <circle cx={x(workP)} cy={y(workQ)} r={7} fill={surface} stroke={ink} strokeWidth={3} />
      {curves.measured && <rect x={x(curves.measured[0] ?? 0) - 6} y={y(curves.measured[1] ?? 0) - 6} width={12} height={12} fill={ink} />}
      <text x={(WIDTH + LEFT) / 2} y={HEIGHT - 6} fontSize={13} textAnchor="middle" fill={ink}>pressure, {pressure} · ring: where they meet{curves.measured ? " · square: as measured" : ""}</text>
      <text transform={`translate(13 ${HEIGHT / 2}) rotate(-90)`} fontSize={13} textAnchor="middle" fill={ink}>flow, {flow}</text>
    </svg>
  );
}
