import TextField from "@mui/material/TextField";

interface Props {
  fields: readonly (readonly [id: string, label: string])[];
  typed: Record<string, string>;
  onType: (id: string, text: string) => void;
  first?: boolean;
}

/** Sizes and figures as typed: every one takes a unit. */
export function Fields({ fields, typed, onType, first = false }: Props) {
  return fields.map(([id, label], at) => (
    <TextField key={id} size="small" label={label} autoFocus={first && at === 0} value={typed[id] ?? ""} onChange={(event) => onType(id, event.target.value)} sx={{ width: 150, bgcolor: "background.paper" }} slotProps={{ htmlInput: { maxLength: 30, autoComplete: "off" } }} />
  ));
}

/** What was filled in, with nothing empty. */
export const filled = (typed: Record<string, string>, ids: readonly (readonly [string, string])[]): Record<string, string> =>
  Object.fromEntries(ids.flatMap(([id]) => (typed[id]?.trim() ? [[id, typed[id]]] : [])));
