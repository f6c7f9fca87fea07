import Box from "@mui/material/Box";
import type { Preview } from "../../api/types";

/** Under a line that is being typed: which words would be heard as what, and which would not. */
export function PreviewLine({ words, preview }: { words: string; preview: Preview }) {
  return (
    <Box component="ul" aria-label="Would be heard" aria-live="off" sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, m: 0, mb: 1, p: 0, listStyle: "none", fontSize: 15 }}>
      {preview.heard.map((one) => (
        <Box component="li" key={`${one.from} ${one.to}`} sx={{ px: 1, py: 0.25, border: "1px dashed", borderColor: "text.secondary", borderRadius: 1 }}>
          <span>{words.slice(one.from, one.to)}</span> → <strong>{one.problem ?? one.texts.join(", ")}</strong>
        </Box>
      ))}
      {preview.unheard.map((one) => (
        <Box component="li" key={`not ${one.from}`} sx={{ px: 1, py: 0.25 }}>
          “{one.words}” <em>not heard</em>{one.note ? `: ${one.note}` : ""}
        </Box>
      ))}
    </Box>
  );
}
