import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import type { Identification } from "../api/types";
import { percent } from "../shell/format";

type Leaders = Identification["contradictions"][number]["leading"];

const names = (leaders: Leaders) => leaders.map((one) => `${one.model} ${percent(one.probability)}`).join(", ");

/** Readings that contradict the rest, with both outcomes, and a flow that does not add up. */
export function Doubts({ found }: { found: Identification }) {
  return (
    <>
      {found.contradictions.slice(0, 2).map((one) => (
        <Doubt key={one.trait} text={one.text}>With it: {names(one.leading)}. Without it: {names(one.without)}.</Doubt>
      ))}
      {found.flow && <Doubt text={found.flow.text}>{found.flow.arithmetic}</Doubt>}
    </>
  );
}

function Doubt({ text, children }: { text: string; children: ReactNode }) {
  return (
    <Box role="note" sx={{ mt: 1, px: 1.25, py: 0.75, border: "2px solid", borderColor: "secondary.main", borderRadius: 1 }}>
      <strong>Doubtful: </strong>{text}
      <Box sx={{ fontSize: 15 }}>{children}</Box>
    </Box>
  );
}
