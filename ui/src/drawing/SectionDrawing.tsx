import { useId } from "react";
import type { Section, StackLayer } from "../api/types";
import { ink, surface } from "../shell/theme";

const WIDTH = 640;
const HEIGHT = 260;
/** Of one that is told by its fillings alone. */
const SMALL = { width: 240, height: 110 };
/** Numbers nearer than this stand in two rows. */
const TOUCHING = 17;
const NUMBERS = 26;
const MARGIN = 8;

interface Props {
  section: Section;
  layers: Pick<StackLayer, "drawn">[];
  /** Without numbers, as large as a stamp. */
  small?: boolean;
  picked: number | null;
  /** The pieces that are in already; without it all are. */
  in?: readonly number[];
  onPick?: (index: number) => void;
}

/** A stack cut along its axis, to scale, each piece numbered as in the list beside it. */
export function SectionDrawing({ section, layers, picked, small = false, in: inside, onPick }: Props) {
  const id = useId();
  const numbers = small ? 0 : NUMBERS;
  const room = small ? SMALL : { width: WIDTH, height: HEIGHT };
  const scale = Math.min((room.width - 2 * MARGIN) / section.length_mm, (room.height - numbers - 2 * MARGIN) / (2 * section.radius_mm), 7);
  const axis = numbers + MARGIN + section.radius_mm * scale;
  const width = section.length_mm * scale + 2 * MARGIN;
  const x = (mm: number) => MARGIN + mm * scale;
  const lowered = rows(section.pieces.map((piece) => x(piece.x_mm + piece.width_mm / 2)));
  return (
    <svg viewBox={`0 0 ${width} ${axis + section.radius_mm * scale + MARGIN}`} width={width} style={{ maxWidth: "100%", display: "block" }} aria-hidden>
      <Fillings id={id} />
      <line x1={0} x2={width} y1={axis} y2={axis} stroke={ink} strokeWidth={0.7} strokeDasharray="12 3 2 3" />
      {section.pieces.map((piece, index) => {
        const fill = filling(layers[index]!.drawn, id);
        const outline = { fill, stroke: ink, strokeWidth: picked === index ? 2.6 : 1.1, strokeDasharray: fill === "none" ? "4 2" : undefined };
        return (
          <g key={index} opacity={inside && !inside.includes(index) ? 0.16 : 1} onClick={() => onPick?.(index)} style={{ cursor: onPick ? "pointer" : undefined }}>
            {[1, -1].map((half) => (
              <g key={half}>
                {piece.outlines.map((points, at) => (
                  <polygon key={at} points={points.map(([u, v]) => `${x(u!)},${axis - half * v! * scale}`).join(" ")} {...outline} />
                ))}
                {piece.circles.map(([u, v, r], at) => <circle key={at} cx={x(u!)} cy={axis - half * v! * scale} r={Math.max(r! * scale, 1.5)} {...outline} />)}
              </g>
            ))}
            {!small && <text x={x(piece.x_mm + piece.width_mm / 2)} y={lowered[index] ? NUMBERS - 1 : NUMBERS - 13} textAnchor="middle" fontSize={13}
              fontWeight={picked === index ? 700 : 400} fill={ink}>
              {index + 1}
            </text>}
          </g>
        );
      })}
    </svg>
  );
}

/** Which numbers stand in the lower row. */
function rows(centres: number[]): boolean[] {
  let upper = -Infinity;
  return centres.map((centre) => {
    const low = centre - upper < TOUCHING;
    if (!low) upper = centre;
    return low;
  });
}

/** One piece's filling by itself, for a legend. */
export function FateSwatch({ fate }: { fate: string | null }) {
  const id = useId();
  const fill = filling(fate, id);
  return (
    <svg width={22} height={14} aria-hidden style={{ verticalAlign: "-2px", marginRight: 4, flex: "none" }}>
      <Fillings id={id} />
      <rect x={1} y={1} width={20} height={12} fill={fill} stroke={ink} strokeDasharray={fill === "none" ? "4 2" : undefined} />
    </svg>
  );
}

function filling(fate: string | null, id: string): string {
  switch (fate) {
    case "replace":
    case "out":
    case "bag": return ink;
    case "shelf":
    case "own": return `url(#${id}shelf)`;
    case "coming":
    case "inspect": return `url(#${id}hatch)`;
    case "turn": return `url(#${id}lines)`;
    case "rework":
    case "clean": return `url(#${id}dots)`;
    case "kept":
    case "keep": return surface;
    default: return "none";
  }
}

function Fillings({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={`${id}hatch`} width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width={5} height={5} fill={surface} /><line x1={0} x2={0} y1={0} y2={5} stroke={ink} strokeWidth={2} />
      </pattern>
      <pattern id={`${id}lines`} width={4} height={4} patternUnits="userSpaceOnUse">
        <rect width={4} height={4} fill={surface} /><line x1={0} x2={4} y1={1} y2={1} stroke={ink} strokeWidth={1.2} />
      </pattern>
      <pattern id={`${id}shelf`} width={4} height={4} patternUnits="userSpaceOnUse">
        <rect width={4} height={4} fill={ink} /><line x1={0} x2={4} y1={1} y2={1} stroke={surface} strokeWidth={1} />
      </pattern>
      <pattern id={`${id}dots`} width={5} height={5} patternUnits="userSpaceOnUse">
        <rect width={5} height={5} fill={surface} /><circle cx={2} cy={2} r={1.3} fill={ink} />
      </pattern>
    </defs>
  );
}
