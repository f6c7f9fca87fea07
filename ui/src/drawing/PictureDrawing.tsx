import type { Picture } from "../api/types";
import { faint, ink, petrol, surface } from "../shell/theme";

const BOLT_MM = 4.5;

/** A side of the pump as the catalogue has it; what to look at is filled, the rest only outlined. */
export function PictureDrawing({ picture, width, label }: { picture: Picture; width: number; label: string }) {
  const { face, points, marked } = picture;
  const up = (y: number) => face.height_mm - y;
  const fill = (what: string) => (marked === what ? petrol : surface);
  return (
    <svg viewBox={`-2 -2 ${face.width_mm + 4} ${face.height_mm + 4}`} width={width} role="img" aria-label={label}>
      <rect width={face.width_mm} height={face.height_mm} rx="4" fill={faint} stroke={ink} strokeWidth="1" />
      {face.features.map((one, index) => (
        <circle key={index} cx={one.x_mm} cy={up(one.y_mm)} r={one.diameter_mm / 2} fill={fill(one.kind)} stroke={ink} strokeWidth="0.8" />
      ))}
      {points.map((point) => (
        <circle key={point.label} cx={point.x_mm} cy={up(point.y_mm)} r={BOLT_MM} fill={fill("bolts")} stroke={ink} strokeWidth="1" />
      ))}
    </svg>
  );
}
