import Box from "@mui/material/Box";
import type { Bench } from "../api/types";
import { cautionColour, onCaution } from "./theme";

type Told = Bench["moments"][number]["due"][number];

const line = { fill: "none", stroke: onCaution, strokeWidth: 2, strokeLinecap: "round", strokeLinejoin: "round" } as const;

/** One drawing for each kind of danger, of our own. */
const PICTURES: Record<Told["picture"], React.ReactNode> = {
  pressure: <><path d="M4 17a9 9 0 1 1 16 0Z" {...line} /><path d="M12 16 17 9" {...line} /></>,
  jet: <><path d="M2 12h6M10 9l9-4M10 12h11M10 15l9 4" {...line} /></>,
  eyes: <><rect x="2" y="8" width="8" height="7" rx="3" {...line} /><rect x="14" y="8" width="8" height="7" rx="3" {...line} /><path d="M10 11h4" {...line} /></>,
  heavy: <><circle cx="6" cy="5" r="2" {...line} /><circle cx="18" cy="5" r="2" {...line} /><path d="M6 8v5h12V8M6 13v7M18 13v7" {...line} /></>,
  torque: <><path d="M4 20 15 9" {...line} /><circle cx="17" cy="7" r="4" {...line} /></>,
  manual: <><path d="M4 4h7v16H4zM13 4h7v16h-7z" {...line} /></>,
  mind: <><path d="M12 3 22 20H2Z" {...line} /><path d="M12 9v5M12 17v.5" {...line} /></>,
};

/** One caution on one line with its picture; opened by a press, or by what is about to be touched. */
export function CautionLine({ caution, open = false }: { caution: Told; open?: boolean }) {
  const { title } = caution;
  const picture = <svg width="24" height="24" viewBox="0 0 24 24" role="img" aria-label="Caution" style={{ flexShrink: 0 }}>{PICTURES[caution.picture]}</svg>;
  const box = { bgcolor: cautionColour, color: onCaution, px: 1.25, py: 0.5, borderRadius: 1, mb: 0.5 };
  if (title === null) return <Box sx={{ ...box, display: "flex", gap: 1 }}>{picture}<span>{caution.text}</span></Box>;
  return (
    <Box component="details" key={String(open)} open={open} sx={box}>
      <Box component="summary" sx={{ display: "flex", gap: 1, alignItems: "center", fontWeight: 700 }}>{picture}{title}</Box>
      <Box sx={{ pl: 4 }}>{caution.text}</Box>
    </Box>
  );
}
