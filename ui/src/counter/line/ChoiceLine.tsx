import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import { petrol } from "../../shell/theme";
import { optionKeys } from "./useChoice";

interface Props {
  words: string;
  options: string[][];
  onPick: (option: number | null) => void;
}

/** Words that may mean one thing or another: each on a key of its own. */
export function ChoiceLine({ words, options, onPick }: Props) {
  return (
    <Box role="group" aria-label={`What “${words}” means`} sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center", mb: 1, px: 1, py: 0.5, border: `2px solid ${petrol}`, borderRadius: 1, bgcolor: "background.paper" }}>
      <span>“{words}” is</span>
      {options.slice(0, optionKeys.length).map((texts, at) => <Key key={texts.join()} name={optionKeys[at]!} text={texts.join(", ")} onPick={() => onPick(at)} />)}
      <Key name="Esc" text="neither" onPick={() => onPick(null)} />
    </Box>
  );
}

function Key({ name, text, onPick }: { name: string; text: string; onPick: () => void }) {
  return (
    <ButtonBase onClick={onPick} sx={{ font: "inherit", px: 1, minHeight: 30, gap: 0.75, border: "1px solid", borderColor: "text.secondary", borderRadius: 1 }}>
      <kbd>{name}</kbd> <strong>{text}</strong>
    </ButtonBase>
  );
}
