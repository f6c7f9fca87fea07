import { here } from "../shell/format";
import Box from "@mui/material/Box";
import type { components } from "../api/schema";
import { GoesAlong } from "./GoesAlong";
import { Muted, Small } from "../shell/text";

type Found = components["schemas"]["SealFound"];

const where = (one: Found) => (one.used_in ?? []).map((use) => `${use.series} (${use.models.slice(0, 4).join(", ")}${use.models.length > 4 ? ", …" : ""}): ${use.slots.join(", ")}`);

/** Each with its verdict in words, where it is used, and the sums. */
export function SealFound({ name, found, ticket = null }: { name: string; found: Found[]; ticket?: number | null }) {
  if (found.length === 0) return null;
  return (
    <Box component="section" aria-label={name} sx={{ mb: 1.5 }}>
      <h2>{name}</h2>
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0, display: "grid", gap: 0.75 }}>
        {found.map((one) => (
          <Box component="li" key={one.label} sx={{ bgcolor: "background.paper", px: 1.5, py: 0.75 }}>
            <strong>{one.label}</strong>{one.number ? ` · ${here({ on_hand: one.on_hand ?? 0, promised: one.promised ?? 0 })}` : ` · ${one.inner_mm} × ${one.section_mm} mm (±${one.inner_tolerance_mm}, ±${one.section_tolerance_mm ?? "?"})`}{one.material ? ` · ${one.material}` : ""} — {one.words}
            <GoesAlong ticket={ticket} number={one.number} why={`ring by its size: ${one.words}`} />
            {one.share >= 0.01 && ` ${Math.round(one.share * 100)} % likely the very size.`}
            {where(one).map((use) => <Small key={use}>sits in {use}</Small>)}
            {(one.for_a_while ?? []).map((part) => <Small key={part.number}>in place of {part.number} {part.name}: {part.note}</Small>)}
            {one.sums.length > 0 && (
              <details>
                <summary>how it is worked out</summary>
                {one.sums.map((sum) => <Muted key={sum.name}>{sum.name}: {sum.sum}; right is {sum.limit}</Muted>)}
              </details>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
