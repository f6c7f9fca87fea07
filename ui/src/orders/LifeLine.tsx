import Box from "@mui/material/Box";
import type { Order } from "../api/types";
import { day } from "../shell/format";
import { faint, ink, petrol, surface } from "../shell/theme";

const WIDTH = 1000;
const HEIGHT = 62;
/** Room for half of the longest name. */
const MARGIN = 80;
/** An order's life as a line: what is behind it filled, where it stands now ringed, what is still to come hollow. */
export function LifeLine({ order }: { order: Order }) {
  const { way } = order;
  const at = way.findIndex((one) => one.at === "now");
  const name = way[at]!.name;
  const place = (index: number) => MARGIN + (index * (WIDTH - 2 * MARGIN)) / (way.length - 1);
  return (
    <Box component="figure" sx={{ m: 0, my: 1 }} aria-label={`Stands at: ${name}`}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" role="img" aria-hidden="true">
        <line x1={place(0)} x2={place(way.length - 1)} y1={18} y2={18} stroke={faint} strokeWidth={6} />
        <line x1={place(0)} x2={place(Math.max(at, 0))} y1={18} y2={18} stroke={petrol} strokeWidth={6} />
        {way.map((one, index) => (
          <g key={one.id}>
            <circle cx={place(index)} cy={18} r={index === at ? 13 : 9} fill={one.at === "behind" ? petrol : surface} stroke={petrol} strokeWidth={3} />
            {index === at && <circle cx={place(index)} cy={18} r={6} fill={petrol} />}
            <text x={place(index)} y={54} textAnchor="middle" fontSize={17} fontWeight={index === at ? 700 : 400} fill={ink}>
              {one.name}
            </text>
          </g>
        ))}
      </svg>
      {order.since && <figcaption style={{ fontSize: 14 }}>{name} since {day(order.since)}</figcaption>}
    </Box>
  );
}
