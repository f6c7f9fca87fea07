import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import ButtonBase from "@mui/material/ButtonBase";
import type { components } from "../../api/schema";
import type { TicketView } from "../../api/types";
import { KeyList } from "../../shell/KeyList";
import { petrol } from "../../shell/theme";

interface Props {
  phrases: TicketView["phrases"];
  commands: components["schemas"]["LineCommand"][];
  operators: components["schemas"]["Vocabulary"]["operators"];
  onUse: (text: string) => void;
  onClose: () => void;
}

const takes = { nothing: "", answer: "", line: " [number]", reason: " [reason]", name: " [name, place]" };

/** What can be typed here and now, the open question first. An example goes into the line. */
export function Phrases({ phrases, commands, operators, onUse, onClose }: Props) {
  return (
    <Box component="section" aria-label="What can be typed" sx={{ bgcolor: "background.paper", border: `2px solid ${petrol}`, borderRadius: 1, p: 1.25, mb: 1 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "center" }}>
        <strong>What can be typed here</strong>
        <Button size="small" onClick={onClose}>F1 · close</Button>
      </Box>
      <Box component="dl" sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", sm: "210px 1fr" }, gap: 0.25, m: 0, fontSize: 15 }}>
        {phrases.map((row) => (
          <Box key={`${row.about} ${row.asked}`} sx={{ display: "contents" }}>
            <Box component="dt" sx={{ fontWeight: row.asked ? 700 : 400 }}>{row.about}{row.asked ? " (asked now)" : ""}</Box>
            <Box component="dd" sx={{ m: 0, display: "flex", flexWrap: "wrap", gap: 1.5 }}>
              {row.examples.map((text) => (
                <ButtonBase key={text} onClick={() => onUse(text)} sx={{ font: "inherit", textDecoration: "underline", textUnderlineOffset: 3, minHeight: 24 }}>{text}</ButtonBase>
              ))}
            </Box>
          </Box>
        ))}
        {operators.map((operator) => (
          <Box key={operator.id} sx={{ display: "contents" }}>
            <Box component="dt">{operator.does}</Box>
            <Box component="dd" sx={{ m: 0 }}>{operator.example}</Box>
          </Box>
        ))}
        {commands.map((command) => (
          <Box key={command.id} sx={{ display: "contents" }}>
            <Box component="dt">{command.words.find(Boolean) ?? "1 to 9"}{takes[command.takes]}</Box>
            <Box component="dd" sx={{ m: 0 }}>{command.does}</Box>
          </Box>
        ))}
      </Box>
      <h3>Keys</h3>
      <KeyList />
    </Box>
  );
}
