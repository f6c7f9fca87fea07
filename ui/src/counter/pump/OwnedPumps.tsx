import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect } from "react";
import { useSameAgain } from "../../customers/useSameAgain";

const FIRST_KEY = 2;
const MOST = 6;

const AGAIN_KEY = "F10";

interface Props {
  pumps: string[];
  last: { id: number; model: string; work: string[] } | null;
  onChoose: (designation: string) => void;
}

/** Pumps this customer is known to have, each on a function key; and what they had last time, on another. */
export function OwnedPumps({ pumps, last, onChoose }: Props) {
  const shown = pumps.slice(0, MOST);
  const { mutate: again } = useSameAgain();
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.key === AGAIN_KEY && last) {
        event.preventDefault();
        again(last.id);
        return;
      }
      const pump = /^F\d$/.test(event.key) ? pumps.slice(0, MOST)[Number(event.key.slice(1)) - FIRST_KEY] : undefined;
      if (!pump) return;
      event.preventDefault();
      onChoose(pump);
    };
    document.addEventListener("keydown", listen);
    return () => document.removeEventListener("keydown", listen);
  }, [pumps, last, again, onChoose]);
  if (shown.length === 0 && !last) return null;
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap", mb: 1 }}>
      <span>Theirs:</span>
      {shown.map((pump, index) => (
        <Button key={pump} size="small" variant="outlined" onClick={() => onChoose(pump)}>F{index + FIRST_KEY} · {pump}</Button>
      ))}
      {last && <Button size="small" variant="outlined" onClick={() => again(last.id)}>{AGAIN_KEY} · as last time: {last.work.join(", ")} on {last.model}</Button>}
    </Box>
  );
}
