import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import type { Candidate, Identification } from "../../api/types";
import { percent } from "../../shell/format";
import { faint, ink, petrol } from "../../shell/theme";
import { useEarlier } from "./useEarlier";

const ORDERS = 4;
const PUMPS = 3;

interface Props {
  found: Identification;
  chosen: string | undefined;
  onChoose: (candidate: Candidate) => void;
}

/** Candidates gathered by order: those in one frame need exactly the same parts, tools and tightening. */
export function Candidates({ found, chosen, onChoose }: Props) {
  const earlier = useEarlier(found);
  if (found.readings.length === 0) return <Box>Every pump of the catalogue is still possible.</Box>;
  const of = (order: string) => found.candidates.filter((one) => one.order_class === order).slice(0, PUMPS);
  const classes = found.order_classes.slice(0, ORDERS).filter((one) => of(one.id).length > 0);
  return (
    <Box role="group" aria-label="Candidates">
      {classes.map((order, index) => (
        <Box key={order.id} sx={{ border: "1px solid", borderColor: "divider", borderRadius: 1, mb: 1, px: 1, pb: 0.5 }}>
          <Box sx={{ display: "flex", justifyContent: "space-between", fontSize: 15, color: "text.secondary", pt: 0.5 }}>
            <span>option {String.fromCharCode(65 + index)}</span>
            <strong>{percent(order.probability)}</strong>
          </Box>
          {of(order.id).map((one) => (
            <Row key={one.id} candidate={one} before={earlier.get(one.id)} chosen={one.id === chosen} onChoose={() => onChoose(one)} />
          ))}
        </Box>
      ))}
    </Box>
  );
}

interface RowProps {
  candidate: Candidate;
  /** Probability before the latest reading. */
  before: number | undefined;
  chosen: boolean;
  onChoose: () => void;
}

function Row({ candidate, before, chosen, onChoose }: RowProps) {
  const moved = before === undefined ? 0 : candidate.probability - before;
  return (
    <ButtonBase onClick={onChoose} aria-pressed={chosen} sx={{ width: "100%", font: "inherit", color: ink, display: "block", textAlign: "left", py: 0.4 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", gap: 1 }}>
        <span style={{ fontWeight: chosen ? 700 : 400 }}>
          {chosen ? "▸ " : ""}{candidate.maker} {candidate.id}{candidate.owned ? " · theirs" : ""}
        </span>
        <span>{Math.abs(moved) >= 0.01 ? (moved > 0 ? "▴ " : "▾ ") : ""}{percent(candidate.probability)}</span>
      </Box>
      <Box sx={{ height: 6, bgcolor: faint, borderRadius: 3, position: "relative" }}>
        {before !== undefined && <Box sx={{ position: "absolute", left: `${before * 100}%`, top: -2, height: 10, borderLeft: "2px solid", borderColor: "text.secondary" }} />}
        <Box sx={{ height: 6, width: `${candidate.probability * 100}%`, minWidth: 2, bgcolor: petrol, borderRadius: 3, transition: "width 150ms" }} />
      </Box>
    </ButtonBase>
  );
}
