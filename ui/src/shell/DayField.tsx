import TextField from "@mui/material/TextField";

interface Props {
  label: string;
  value: string;
  placeholder?: string;
  onChange: (typed: string) => void;
}

/** A day as it is typed, in words or figures; the server reads it, and asks where it can be two. */
export const DayField = ({ label, value, placeholder = "9 Dec, Friday …", onChange }: Props) => (
  <TextField size="small" label={label} placeholder={placeholder} value={value} onChange={(event) => onChange(event.target.value)} sx={{ width: 150 }} slotProps={{ htmlInput: { maxLength: 30 }, inputLabel: { shrink: true } }} />
);
