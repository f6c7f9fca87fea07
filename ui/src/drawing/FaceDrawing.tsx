import type { Tightening } from "../api/types";
import { ink, petrol } from "../shell/theme";

interface Props {
  face: NonNullable<Tightening["face"]>;
  points: Tightening["points"];
}

const BOLT_MM = 6;

/** One side of the pump with its bolts numbered in tightening order. Sizes and places come from the server, in mm. */
export function FaceDrawing({ face, points }: Props) {
  const up = (y: number) => face.height_mm - y;
  const order = [...points].sort((a, b) => (a.order ?? 0) - (b.order ?? 0)).map((point) => point.label).join(", ");
  return (
    <figure style={{ margin: 0, width: 320 }}>
      <svg viewBox={`-2 -2 ${face.width_mm + 4} ${face.height_mm + 4}`} width="320" role="img" aria-label={`${face.name}: tighten in the order ${order}`}>
        <rect width={face.width_mm} height={face.height_mm} rx="4" fill="#e9e2d2" stroke={ink} strokeWidth="1" />
        {face.features.map((one, index) => (
          <circle key={index} cx={one.x_mm} cy={up(one.y_mm)} r={one.diameter_mm / 2} fill="#fffdf8" stroke={ink} strokeWidth="0.6" />
        ))}
        {points.map((point) => (
          <g key={point.label}>
            <circle cx={point.x_mm} cy={up(point.y_mm)} r={BOLT_MM} fill={petrol} />
            <text x={point.x_mm} y={up(point.y_mm) + 2.9} fontSize="8" fontWeight="700" textAnchor="middle" fill="white">{point.order}</text>
          </g>
        ))}
      </svg>
      <figcaption style={{ fontSize: 14, textAlign: "center" }}>{face.name}</figcaption>
    </figure>
  );
}
