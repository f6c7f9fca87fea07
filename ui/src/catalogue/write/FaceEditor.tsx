import type { MouseEvent } from "react";
import { faint, ink, petrol, surface } from "../../shell/theme";
import { type Entry, isEntry, type Value } from "./shape";
import { type LiveDraft } from "./useDraft";

const BOLT = 0.045;

/** The face of a fastener: a click places another bolt there; the figures beside it move one. */
export function FaceEditor({ live, fastener, faces }: { live: LiveDraft; fastener: Entry; faces: Value }) {
  const face = Array.isArray(faces) ? faces.filter(isEntry).find((one) => one["id"] === fastener["face"]) : undefined;
  if (!face || fastener["sets"]) return null;
  const [width, height] = [Number(face["width_mm"]), Number(face["height_mm"])];
  const points = (Array.isArray(fastener["points"]) ? fastener["points"] : []) as [string, number, number][];
  const place = (event: MouseEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const x = Math.round(((event.clientX - box.left) / box.width) * width);
    const y = Math.round((1 - (event.clientY - box.top) / box.height) * height);
    const label = nextLabel(points.map((one) => one[0]));
    void live.edit([{ at: ["fasteners", String(fastener["id"]), "points", points.length], kind: "value", value: [label, x, y] }]);
  };
  const radius = BOLT * Math.max(width, height);
  return (
    <figure style={{ margin: "4px 0" }}>
      <svg viewBox={`0 0 ${width} ${height}`} width={380} role="img" aria-label={`${String(face["name"])}: ${points.map(([label, x, y]) => `${label} at ${x}, ${y}`).join("; ")}`} onClick={place} style={{ cursor: "crosshair", maxWidth: "100%" }}>
        <rect width={width} height={height} fill={faint} stroke={ink} />
        {(Array.isArray(face["features"]) ? (face["features"] as [string, string, number, number, number][]) : []).map(([, , x, y, d], index) => <circle key={index} cx={x} cy={height - y} r={d / 2} fill={surface} stroke={ink} strokeWidth={0.6} />)}
        {points.map(([label, x, y], index) => (
          <g key={index}>
            <circle cx={x} cy={height - y} r={radius} fill={surface} stroke={petrol} strokeWidth={radius * 0.2} />
            <text x={x} y={height - y + radius * 0.5} fontSize={radius * 1.3} textAnchor="middle" fill={ink}>{label}</text>
          </g>
        ))}
      </svg>
      <figcaption style={{ fontSize: 14 }}>{String(face["name"])}: click where a bolt sits, or type its x and y below, in mm from the lower left corner.</figcaption>
    </figure>
  );
}

/** a, b, c … after letters; 1, 2, 3 … after figures. */
function nextLabel(labels: string[]): string {
  const last = labels.at(-1);
  if (last === undefined) return "1";
  return /^\d+$/.test(last) ? String(Number(last) + 1) : last.slice(0, -1) + String.fromCharCode(last.charCodeAt(last.length - 1) + 1);
}
