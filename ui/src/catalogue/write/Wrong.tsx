import type { Draft } from "./useDraft";
import { ink } from "../../shell/theme";

interface Props {
  draft: Draft;
  /** Only of one list. */
  list?: string;
  onOpen: (place: string) => void;
}

/** What the format and the doctor say, each to be opened where it stands. */
export function Wrong({ draft, list, onOpen }: Props) {
  const all = [...draft.faults, ...draft.remarks].filter((one) => list === undefined || one.list === list || (list === "stacks" && one.list === "layers"));
  if (all.length === 0) return <p>Nothing looks wrong{list === undefined ? "" : " here"}.</p>;
  return (
    <ul aria-label="What looks wrong" style={{ listStyle: "none", padding: 0 }}>
      {all.map((one) => (
        <li key={`${one.place} ${one.text}`} style={{ marginBottom: 6, borderLeft: `4px ${one.level === "error" ? "double" : "dotted"} ${ink}`, paddingLeft: 8 }}>
          <button type="button" onClick={() => onOpen(one.place)} style={{ font: "inherit", fontWeight: 700, border: 0, background: "none", padding: 0, textDecoration: "underline", cursor: "pointer" }}>{one.place}</button>{" "}
          {one.level === "error" ? "must be mended: " : ""}{one.text.startsWith(one.place) ? one.text.slice(one.place.length) : one.text}
        </li>
      ))}
    </ul>
  );
}
