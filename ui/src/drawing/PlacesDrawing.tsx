import Box from "@mui/material/Box";
import { useVocabulary } from "../api/queries";
import type { components } from "../api/schema";
import type { Stack } from "../api/types";
import { FateSwatch, SectionDrawing } from "./SectionDrawing";

type Places = components["schemas"]["Places"];

interface Props {
  places: Places;
  stacks: Pick<Stack, "id" | "name" | "drawing">[];
  /** Shows positions with something to come or a hole only, as large as fits a tray. */
  holes?: boolean;
}

/** The pump's own sections with their places filled, to come or empty; positions that stand alike are drawn once. */
export function PlacesDrawing({ places, stacks, holes = false }: Props) {
  const named = useVocabulary().data?.places ?? [];
  const drawn = stacks.flatMap((stack) => {
    const rows = places.stacks.find((one) => one.id === stack.id)?.rows ?? [];
    return stack.drawing ? rows.filter((row) => !holes || row.hole).map((row) => ({ stack, row })) : [];
  });
  if (drawn.length === 0) return null;
  const used = named.filter((one) => drawn.some(({ row }) => row.layers.includes(one.id)));
  return (
    <Box role="group" aria-label="Places">
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        {drawn.map(({ stack, row }) => (
          <Box component="figure" key={`${stack.id} ${row.where}`} sx={{ m: 0, maxWidth: holes ? 140 : 240 }}>
            <SectionDrawing section={stack.drawing!} layers={row.layers.map((how) => ({ drawn: how }))} picked={null} small />
            <Box component="figcaption" sx={{ fontSize: 14 }}>{row.title}</Box>
          </Box>
        ))}
      </Box>
      <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", mt: 0.5, fontSize: 14 }}>
        {used.map((one) => <span key={one.id}><FateSwatch fate={one.id} />{one.name}</span>)}
      </Box>
    </Box>
  );
}
