import type { KeyboardEvent } from "react";
import type { OutsideMark, OutsideView } from "../api/types";
import { faint, ink, onPetrol, petrol, surface } from "../shell/theme";

interface Props {
  view: OutsideView;
  width: number;
  height: number;
  label: string;
  /** Kinds of marks that the eye should go to. */
  marked?: readonly string[];
  /** Positions that are chosen. */
  chosen?: readonly string[];
  /** Positions that can be chosen on it. */
  positions?: readonly string[];
  onPosition?: (position: string) => void;
  /** Numbered places on it, to be pressed; x and y as the marks have them. */
  spots?: readonly { name: string; text: string; x: number; y: number; press: () => void }[];
}

const tones: Record<OutsideMark["tone"], string> = { solid: faint, raised: surface, hole: surface, dark: ink, hidden: "none" };
const MARGIN = 0.04;

/** A pump from outside, as the server draws it: what to look at is filled, what the catalogue does not place is dashed. */
export function OutsideDrawing({ view, width, height, label, marked = [], chosen = [], positions = [], onPosition, spots = [] }: Props) {
  const [left, bottom, wide, high] = view.box as [number, number, number, number];
  const room = MARGIN * Math.max(wide, high) + 2;
  const scale = Math.min(width / (wide + 2 * room), height / (high + 2 * room));
  const line = 1 / scale;
  const shape = (mark: OutsideMark, index: number) => {
    const position = onPosition && mark.at.length === 1 && positions.includes(mark.at[0]!) ? mark.at[0]! : null;
    const picked = marked.includes(mark.kind) || mark.at.some((one) => chosen.includes(one));
    const look = {
      fill: picked ? petrol : tones[mark.tone], stroke: ink, strokeWidth: (picked ? 1.8 : 1) * line, strokeLinejoin: "round" as const,
      ...((mark.guessed || mark.tone === "hidden") && !picked ? { strokeDasharray: `${3 * line} ${2 * line}` } : {}),
      ...(position ? pressable(position, chosen.includes(position), () => onPosition!(position)) : {}),
    };
    // The hole that a key goes into stays to be seen.
    if (position && !picked) look.fill = surface;
    if (mark.circle) return <circle key={index} cx={mark.circle[0]} cy={-mark.circle[1]!} r={mark.circle[2]} {...look} />;
    return <polygon key={index} points={(mark.outline ?? []).map(([x, y]) => `${x},${-y!}`).join(" ")} {...look} />;
  };
  return (
    <svg viewBox={`${left - room} ${-bottom - high - room} ${wide + 2 * room} ${high + 2 * room}`} width={(wide + 2 * room) * scale} height={(high + 2 * room) * scale}
      role={onPosition || spots.length > 0 ? "group" : "img"} aria-label={label} style={{ maxWidth: "100%", display: "block" }}>
      {view.marks.map(shape)}
      {spots.map((spot) => (
        <g key={spot.text} {...pressable(`${spot.text} ${spot.name}`, false, spot.press)}>
          <circle cx={spot.x} cy={-spot.y} r={11 * line} fill={petrol} stroke={surface} strokeWidth={1.5 * line} />
          <text x={spot.x} y={-spot.y + 4.5 * line} fontSize={13 * line} fontWeight="700" textAnchor="middle" fill={onPetrol}>{spot.text}</text>
        </g>
      ))}
    </svg>
  );
}

const pressable = (position: string, chosen: boolean, press: () => void) => ({
  role: "button", tabIndex: 0, "aria-label": position, "aria-pressed": chosen, style: { cursor: "pointer" }, onClick: press,
  onKeyDown: (event: KeyboardEvent) => {
    if (event.key !== "Enter" && event.key !== " ") return;
    event.preventDefault();
    event.stopPropagation();
    press();
  },
});
