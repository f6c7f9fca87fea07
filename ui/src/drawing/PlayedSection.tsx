import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMemo, useState } from "react";
import type { Section, StackLayer } from "../api/types";
import { keys, useKeys } from "../shell/keys";
import { SectionDrawing } from "./SectionDrawing";

interface Props {
  name: string;
  section: Section;
  layers: Pick<StackLayer, "drawn">[];
  /** What each piece is called, and how it goes in. */
  pieces: string[];
  /** Places of the pieces in the order in which they are put together; none where that is not on file. */
  built: number[];
  picked: number | null;
  onPick?: (index: number) => void;
}

/** A stack that can be put together piece by piece, forwards and back, as it is done on the bench. */
export function PlayedSection({ name, section, layers, pieces, built, picked, onPick }: Props) {
  const [at, setAt] = useState<number | null>(null);
  const last = built.length - 1;
  const go = (step: number) => setAt((now) => (now === null ? (step > 0 ? 0 : last) : Math.max(0, Math.min(last, now + step))));
  return (
    <Box>
      <SectionDrawing section={section} layers={layers} picked={at === null ? picked : built[at]!} {...(at === null ? {} : { in: built.slice(0, at + 1) })} {...(onPick ? { onPick } : {})} />
      {built.length === 0 && pieces.length > 1 && <p style={{ margin: 0, fontSize: 15 }}>In which order they go in is not on file.</p>}
      {built.length > 1 && (
        <Box className="no-print" data-keeps-focus role="group" aria-label={`${name}: piece by piece`} sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", fontSize: 15 }}>
          <Button size="small" variant="outlined" onClick={() => go(-1)} aria-label="the piece before">{keys.backward.shown}</Button>
          <Button size="small" variant="outlined" onClick={() => go(1)} aria-label="the next piece">{keys.onward.shown}</Button>
          <span aria-live="polite">{at === null ? "piece by piece, in the order in which they go in" : <>{at + 1} of {built.length}: <strong>{pieces[built[at]!]}</strong></>}</span>
          {at !== null && <Button size="small" onClick={() => setAt(null)}>all</Button>}
          {at !== null && <Listening go={go} />}
        </Box>
      )}
    </Box>
  );
}

/** The arrow keys belong to the stack that is being played. */
function Listening({ go }: { go: (step: number) => void }) {
  useKeys(useMemo(() => ({ onward: () => go(1), backward: () => go(-1) }), [go]));
  return null;
}
