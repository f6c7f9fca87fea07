import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import type { CallLine } from "../../api/types";
import { clock } from "../../shell/format";
import { heard } from "../../shell/theme";
import type { LiveTicket } from "../../ticket/useTicket";

/** The call as it went: the words, what was heard, and how far it narrowed the field. A colleague takes over from here. */
export function CallLog({ ticket, lines }: { ticket: LiveTicket; lines: CallLine[] }) {
  if (lines.length === 0) return <p>Type what the caller sees. Nothing has to be complete or sure.</p>;
  return (
    <Box component="ol" aria-label="The call" sx={{ listStyle: "none", m: 0, p: 0, fontSize: 15, maxHeight: 250, overflowY: "auto" }} tabIndex={0}>
      {lines.map((line) => <Line key={line.number} ticket={ticket} line={line} />)}
    </Box>
  );
}

function Line({ ticket, line }: { ticket: LiveTicket; line: CallLine }) {
  const strike = (item: number, struck: boolean) => void ticket.add("Pump", { kind: struck ? "restored" : "struck", of: line.number, item });
  return (
    <Box component="li" sx={{ display: "grid", gridTemplateColumns: "26px minmax(0, 1fr) 150px", gap: 1, py: 0.4, borderBottom: "1px solid", borderColor: "divider" }}>
      <Box component="span" sx={{ color: "text.secondary", textAlign: "right" }}>{line.number}</Box>
      <Box>
        <Box component="span" sx={{ color: "text.secondary", textDecoration: line.struck ? "line-through" : "none" }}>{line.words !== null && line.kind !== "taken_up" && line.kind !== "picked" ? `“${line.words}”` : [line.text, line.words && `“${line.words}”`].filter(Boolean).join(": ")}</Box>
        <Box component="ul" aria-label={`Heard in line ${line.number}`} sx={{ display: "inline-flex", flexWrap: "wrap", gap: 0.5, listStyle: "none", m: 0, ml: line.items.length > 0 ? 0.75 : 0, p: 0, verticalAlign: "top" }}>
          {line.items.map((item) => (
            <li key={item.item}>
              <ButtonBase onClick={() => strike(item.item, item.struck)} aria-pressed={item.struck}
                aria-label={`${item.texts.join(", ")}: ${item.struck ? "bring back" : "strike out"}`}
                sx={{ font: "inherit", px: 0.75, minHeight: 24, border: "1px solid", borderColor: "divider", borderRadius: 1, textDecoration: item.struck ? "line-through" : "none", bgcolor: item.struck ? "transparent" : heard }}>
                {item.texts.join(", ")}
              </ButtonBase>
            </li>
          ))}
          {line.choices.map((one) => (
            <li key={one.words}><em>“{one.words}”: {one.options.map((texts) => texts.join(", ")).join(", or ")}?</em></li>
          ))}
          {line.unheard.map((one) => (
            <li key={one.words}><em>not heard: “{one.words}”</em>{one.note ? `. ${one.note}` : ""}</li>
          ))}
        </Box>
      </Box>
      <Box component="span" title={`${clock(line.at)}, ${line.who}`} sx={{ textAlign: "right", color: "text.secondary" }}>
        {line.pumps !== null ? `${count(line.pumps, "pump")}, ${count(line.orders ?? 0, "order")}` : `${clock(line.at)} ${line.who}`}
      </Box>
    </Box>
  );
}

const count = (number: number, name: string) => `${number} ${name}${number === 1 ? "" : "s"}`;
