import Box from "@mui/material/Box";
import OutlinedInput from "@mui/material/OutlinedInput";

interface Props {
  label: string;
  value: string;
  placeholder?: string;
  onChange: (typed: string) => void;
}

/** A day as it is typed, in words or figures; the server reads it, and asks where it can be two. */
export const DayField = ({ label, value, placeholder = "9 Dec, Friday …", onChange }: Props) => (
  <Box component="label" sx={{ display: "flex", gap: 1, alignItems: "center", whiteSpace: "nowrap", fontSize: 15 }}>
    {label}
    <OutlinedInput size="small" placeholder={placeholder} value={value} onChange={(event) => onChange(event.target.value)} inputProps={{ maxLength: 30 }} sx={{ width: 140, "& input": { py: 0.75 } }} />
  </Box>
);
