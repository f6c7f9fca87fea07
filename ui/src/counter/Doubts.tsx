import Box from "@mui/material/Box";
import type { Identification } from "../api/types";
import { percent } from "../shell/format";

type Leaders = Identification["contradictions"][number]["leading"];

const names = (leaders: Leaders) => leaders.map((one) => `${one.model} ${percent(one.probability)}`).join(", ");

/** Readings that contradict the rest, with both outcomes. */
export function Doubts({ contradictions }: { contradictions: Identification["contradictions"] }) {
  return contradictions.slice(0, 2).map((one) => (
    <Box key={one.trait} role="note" sx={{ mt: 1, px: 1.25, py: 0.75, border: "2px solid", borderColor: "secondary.main", borderRadius: 1 }}>
      <strong>Doubtful: </strong>{one.text}
      <Box sx={{ fontSize: 15 }}>With it: {names(one.leading)}. Without it: {names(one.without)}.</Box>
    </Box>
  ));
}
