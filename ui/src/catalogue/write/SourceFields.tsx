import TextField from "@mui/material/TextField";
import type { Source } from "./useDraft";

/** Where what is typed from here on was read. */
export const SourceFields = ({ source, onChange }: { source: Source; onChange: (source: Source) => void }) => (
  <div style={{ display: "flex", gap: 8, flexWrap: "wrap" }} role="group" aria-label="Where you read it">
    <TextField size="small" label="read in (document)" value={source.document} onChange={(event) => onChange({ ...source, document: event.target.value })} sx={{ width: 230 }} slotProps={{ htmlInput: { maxLength: 200 } }} />
    <TextField size="small" label="page" value={source.page ?? ""} onChange={(event) => onChange({ ...source, page: event.target.value })} sx={{ width: 90 }} slotProps={{ htmlInput: { maxLength: 40 } }} />
    <TextField size="small" type="date" label="on" value={source.on ?? ""} onChange={(event) => onChange({ ...source, on: event.target.value })} slotProps={{ inputLabel: { shrink: true } }} />
  </div>
);
