import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import type { Identification, TicketState } from "../api/types";

interface Props {
  rows: TicketState["readings"];
  /** As the server says them back: the readings that count, then those of the line being typed. */
  texts: Identification["readings"];
  onStrike: (index: number) => void;
}

/** What was seen. Each can be struck out and brought back. */
export function Readings({ rows, texts, onStrike }: Props) {
  const live = rows.filter((row) => !row.struck).length;
  const typing = texts.slice(live);
  let next = 0;
  const labels = rows.map((row) => (row.struck ? row.reading.heard ?? row.reading.trait.replaceAll("_", " ") : texts[next++]?.text ?? row.reading.trait));
  if (rows.length === 0 && typing.length === 0) return <p style={{ margin: 0 }}>Type what the caller sees. Nothing has to be complete or sure.</p>;
  return (
    <Box component="ul" aria-label="Readings" sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, m: 0, p: 0, listStyle: "none" }}>
      {rows.map((row, index) => (
        <li key={index}>
          <ButtonBase onClick={() => onStrike(index)} aria-pressed={row.struck} aria-label={`${labels[index]}: ${row.struck ? "bring back" : "strike out"}`}
            sx={{ font: "inherit", fontSize: 15, px: 1, py: 0.4, border: "1px solid", borderColor: "divider", borderRadius: 1, textDecoration: row.struck ? "line-through" : "none", bgcolor: row.struck ? "transparent" : "#e4ecea" }}>
            {labels[index]}
          </ButtonBase>
        </li>
      ))}
      {typing.map((reading, index) => (
        <Box component="li" key={`typing ${index}`} sx={{ fontSize: 15, px: 1, py: 0.4, border: "1px dashed", borderColor: "text.secondary", borderRadius: 1 }}>{reading.text}</Box>
      ))}
    </Box>
  );
}
