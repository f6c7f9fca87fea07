import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { useState } from "react";
import type { Plan, Stack } from "../../api/types";
import { PlayedSection } from "../../drawing/PlayedSection";
import { FateSwatch } from "../../drawing/SectionDrawing";
import type { LiveTicket } from "../../ticket/useTicket";
import { PieceSheet } from "./PieceSheet";
import { Muted } from "../../shell/text";

interface Props {
  ticket: LiveTicket;
  plan: Plan;
  stack: Stack;
}

/** One stack: drawn, listed in order, and each piece open to be looked at more closely. */
export function StackSection({ ticket, plan, stack }: Props) {
  const [picked, setPicked] = useState<number | null>(null);
  const pick = (index: number) => setPicked((now) => (now === index ? null : index));
  return (
    <Box component="section" aria-label={stack.name} sx={{ borderTop: "1px solid", borderColor: "divider", pt: 1, mb: 1.5 }}>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "baseline" }}>
        <strong>{stack.name}</strong>
        <span>{stack.positions.join(", ")}</span>
        <span>{[stack.colour, stack.spring].filter(Boolean).join("; ")}</span>
      </Box>
      <Muted>left: {stack.from} · right: {stack.towards}{stack.checked ? ` · ${stack.checked}` : ""}</Muted>
      {stack.drawing && <PlayedSection name={stack.name} built={stack.built} pieces={stack.layers.map((layer) => layer.name)} section={stack.drawing} layers={stack.layers} picked={picked} onPick={pick} />}
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0, columns: { xs: 1, md: 2 }, columnGap: 3 }}>
        {stack.layers.map((layer, index) => (
          <Box component="li" key={index} sx={{ breakInside: "avoid" }}>
            <ButtonBase onClick={() => pick(index)} aria-expanded={picked === index}
              sx={{ font: "inherit", fontSize: 15, width: "100%", justifyContent: "flex-start", alignItems: "baseline", textAlign: "left", gap: 1, py: 0.25 }}>
              <span style={{ width: 20, textAlign: "right" }}>{index + 1}</span>
              <FateSwatch fate={layer.drawn} />
              <span>
                <strong>{layer.name}</strong>{layer.told.length > 0 ? `, ${layer.told.join("; ")}` : ""}
                <Box component="span" sx={{ color: "text.secondary" }}> {[layer.fate, layer.part].filter(Boolean).join(" · ")}</Box>
              </span>
            </ButtonBase>
            {picked === index && <PieceSheet ticket={ticket} plan={plan} stack={stack} layer={layer} />}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
