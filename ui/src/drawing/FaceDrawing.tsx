import type { Tightening } from "../api/types";
import { faint, ink, onPetrol, petrol, surface } from "../shell/theme";

interface Props {
  face: NonNullable<Tightening["face"]>;
  points: Tightening["points"];
  width?: number;
  /** Where the work stands: points that are done in this round, and the one in hand. */
  done?: ReadonlySet<number>;
  inHand?: number;
}

/** Of the face's longer side. */
const BOLT = 0.045;

/** One side of the pump with its bolts numbered in tightening order. Sizes and places come from the server, in mm. */
export function FaceDrawing({ face, points, width = 320, done, inHand }: Props) {
  const up = (y: number) => face.height_mm - y;
  const radius = BOLT * Math.max(face.width_mm, face.height_mm);
  const order = [...points].sort((a, b) => (a.order ?? 0) - (b.order ?? 0)).map((point) => point.label).join(", ");
  const filled = (index: number) => done === undefined || done.has(index);
  return (
    <figure style={{ margin: 0, width }}>
      <svg viewBox={`-3 -3 ${face.width_mm + 6} ${face.height_mm + 6}`} width={width} style={{ maxWidth: "100%" }} role="img" aria-label={`${face.name}: tighten in the order ${order}`}>
        <rect width={face.width_mm} height={face.height_mm} rx="4" fill={faint} stroke={ink} strokeWidth="1" />
        {face.features.map((one, index) => (
          <circle key={index} cx={one.x_mm} cy={up(one.y_mm)} r={one.diameter_mm / 2} fill={surface} stroke={ink} strokeWidth="0.6" />
        ))}
        {points.map((point, index) => (
          <g key={index}>
            {inHand === index && <circle cx={point.x_mm} cy={up(point.y_mm)} r={radius * 1.6} fill="none" stroke={ink} strokeWidth={radius * 0.3} />}
            <circle cx={point.x_mm} cy={up(point.y_mm)} r={radius} fill={filled(index) ? petrol : surface} stroke={petrol} strokeWidth={radius * 0.15} />
            <text x={point.x_mm} y={up(point.y_mm) + radius * 0.48} fontSize={radius * 1.35} fontWeight="700" textAnchor="middle" fill={filled(index) ? onPetrol : ink}>
              {point.order ?? point.label}
            </text>
          </g>
        ))}
      </svg>
      <figcaption style={{ fontSize: 14, textAlign: "center" }}>{face.name}</figcaption>
    </figure>
  );
}
