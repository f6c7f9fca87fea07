import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Diagnosis } from "../../api/types";

interface Props {
  question: NonNullable<Diagnosis["closer"]>;
  /** Told as the caller would say it. */
  onTell: (words: string) => void;
}

/** What decides most and was not said yet: picked here, or typed. */
export function ToldCloser({ question, onTell }: Props) {
  return (
    <Box component="section" aria-label={question.ask} sx={{ mb: 1 }}>
      <Box sx={{ fontSize: 19, fontWeight: 700, mb: 0.5 }}>“{question.ask}”</Box>
      <Box sx={{ display: "flex", gap: 0.75, flexWrap: "wrap" }}>
        {question.options.map((one) => <Button key={one.id} size="small" variant="outlined" onClick={() => onTell(one.say)}>{one.name}</Button>)}
      </Box>
    </Box>
  );
}
