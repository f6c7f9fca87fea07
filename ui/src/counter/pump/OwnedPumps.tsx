import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useEffect } from "react";

const FIRST_KEY = 2;
const MOST = 6;

interface Props {
  pumps: string[];
  onChoose: (designation: string) => void;
}

/** Pumps this customer is known to have, each on a function key. */
export function OwnedPumps({ pumps, onChoose }: Props) {
  const shown = pumps.slice(0, MOST);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const pump = /^F\d$/.test(event.key) ? pumps.slice(0, MOST)[Number(event.key.slice(1)) - FIRST_KEY] : undefined;
      if (!pump) return;
      event.preventDefault();
      onChoose(pump);
    };
    document.addEventListener("keydown", listen);
    return () => document.removeEventListener("keydown", listen);
  }, [pumps, onChoose]);
  if (shown.length === 0) return null;
  return (
    <Box sx={{ display: "flex", gap: 1, alignItems: "center", mb: 1 }}>
      <span>Theirs:</span>
      {shown.map((pump, index) => (
        <Button key={pump} size="small" variant="outlined" onClick={() => onChoose(pump)}>F{index + FIRST_KEY} · {pump}</Button>
      ))}
    </Box>
  );
}
