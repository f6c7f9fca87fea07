import Box from "@mui/material/Box";
import { useState } from "react";
import { Link } from "react-router";
import type { components } from "../api/schema";
import { PlayedSection } from "../drawing/PlayedSection";
import { Muted } from "../shell/text";
import { partPath } from "./NumberLink";

type Stack = components["schemas"]["Exploded"];

/** The whole wet end taken apart: each stack along its axis, every piece by itself, to be picked. */
export const Exploded = ({ stacks }: { stacks: Stack[] }) => (
  <Box sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(min(560px, 100%), 1fr))", gap: 2 }}>
    {stacks.map((stack) => <OneStack key={stack.id} stack={stack} />)}
  </Box>
);

function OneStack({ stack }: { stack: Stack }) {
  const [picked, setPicked] = useState<number | null>(null);
  return (
    <Box component="figure" aria-label={stack.name} sx={{ m: 0, borderTop: "1px solid", borderColor: "divider", pt: 1, breakInside: "avoid" }}>
      <strong>{stack.name}</strong>{stack.times > 1 ? `, ${stack.times} times` : ""}
      <Muted>left: {stack.from} · right: {stack.towards}</Muted>
      <PlayedSection name={stack.name} built={stack.built} pieces={stack.pieces.map((piece) => piece.name)} section={stack.drawing} layers={stack.pieces.map((_, at) => ({ drawn: at === picked ? "replace" : "keep" }))} picked={picked} onPick={setPicked} />
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0, columns: { xs: 1, sm: 2 }, columnGap: 2, fontSize: 15 }}>
        {stack.pieces.map((piece, at) => (
          <Box component="li" key={at} onMouseEnter={() => setPicked(at)} onFocus={() => setPicked(at)} sx={{ breakInside: "avoid", fontWeight: picked === at ? 700 : 400 }}>
            {at + 1} {piece.name} {piece.part && <Link to={partPath(piece.part)}>{piece.part}</Link>}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
