import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { useEffect, useRef } from "react";
import type { CallLine } from "../../api/types";
import { clock } from "../../shell/format";
import { heard } from "../../shell/theme";
import type { LiveTicket } from "../../ticket/useTicket";

/**
 * The call as it went: the words, what was heard, and how far it narrowed the field. A colleague takes over from here. The newest line is in
 * sight; what was struck, and what was not heard in earlier lines, is folded away.
 */
export function CallLog({ ticket, lines }: { ticket: LiveTicket; lines: CallLine[] }) {
  const list = useRef<HTMLOListElement>(null);
  const newest = lines.at(-1)?.number;
  useEffect(() => {
    if (list.current) list.current.scrollTop = list.current.scrollHeight;
  }, [newest]);
  if (lines.length === 0) return <p>Type what the caller sees. Nothing has to be complete or sure.</p>;
  const struck = lines.filter((line) => line.struck);
  const standing = lines.filter((line) => !line.struck);
  return (
    <>
      {struck.length > 0 && (
        <details style={{ fontSize: 15 }}>
          <summary>{struck.length} struck out</summary>
          <ol style={{ listStyle: "none", margin: 0, padding: 0 }}>{struck.map((line) => <Line key={line.number} ticket={ticket} line={line} newest={false} />)}</ol>
        </details>
      )}
      <Box component="ol" ref={list} aria-label="The call" sx={{ listStyle: "none", m: 0, p: 0, fontSize: 15, maxHeight: 190, overflowY: "auto" }} tabIndex={0}>
        {standing.map((line) => <Line key={line.number} ticket={ticket} line={line} newest={line.number === newest} />)}
      </Box>
    </>
  );
}

function Line({ ticket, line, newest }: { ticket: LiveTicket; line: CallLine; newest: boolean }) {
  const strike = (item: number, struck: boolean) => void ticket.add("Pump", { kind: struck ? "restored" : "struck", of: line.number, item });
  return (
    <Box component="li" sx={{ display: "grid", gridTemplateColumns: { xs: "22px minmax(0, 1fr)", sm: "26px minmax(0, 1fr) 150px" }, gap: 1, py: 0.4, borderBottom: "1px solid", borderColor: "divider" }}>
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
          {newest && line.unheard.map((one) => (
            <li key={one.words}><em>not heard: “{one.words}”</em>{one.note ? `. ${one.note}` : ""}</li>
          ))}
        </Box>
      </Box>
      <Box component="span" title={`${clock(line.at)}, ${line.who}`} sx={{ textAlign: "right", color: "text.secondary" }}>
        {line.pumps !== null ? `${count(line.pumps, "pump")}, ${count(line.orders ?? 0, "option")}` : `${clock(line.at)} ${line.who}`}
      </Box>
    </Box>
  );
}

const count = (number: number, name: string) => `${number} ${name}${number === 1 ? "" : "s"}`;
