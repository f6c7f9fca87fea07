import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMemo } from "react";
import { keys, useKeys } from "../../shell/keys";
import { useSameAgain } from "../../customers/useSameAgain";

const PUMP_KEYS = ["own1", "own2", "own3", "own4"] as const;

interface Props {
  pumps: string[];
  last: { id: number; model: string; work: string[] } | null;
  /** The ticket at hand. */
  ticket: number | null;
  onChoose: (designation: string) => void;
}

/** Pumps this customer is known to have, each on a function key; and what they had last time, on another. */
export function OwnedPumps({ pumps, last, ticket, onChoose }: Props) {
  const shown = pumps.slice(0, PUMP_KEYS.length);
  const { mutate: again } = useSameAgain(ticket);
  useKeys(useMemo(() => {
    const own = Object.fromEntries(pumps.slice(0, PUMP_KEYS.length).map((pump, nth) => [PUMP_KEYS[nth]!, () => onChoose(pump)]));
    return last ? { ...own, again: () => again(last.id) } : own;
  }, [pumps, last, again, onChoose]));
  if (shown.length === 0 && !last) return null;
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mb: 1 }}>
      <span>Theirs:</span>
      {shown.map((pump, index) => (
        <Button key={pump} size="small" variant="outlined" onClick={() => onChoose(pump)}>{keys[PUMP_KEYS[index]!].key} · {pump}</Button>
      ))}
      {last && <Button size="small" variant="outlined" onClick={() => again(last.id)}>{keys.again.key} · as last time: {last.work.join(", ")} on {last.model}</Button>}
    </Box>
  );
}
