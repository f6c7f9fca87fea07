import Autocomplete from "@mui/material/Autocomplete";
import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import { useCustomers } from "../api/queries";
import { ProblemAlert } from "../shell/ProblemAlert";
import { type CustomerFile, useFileChange } from "./useCustomer";
import { freshKey } from "../ticket/key";

const FIELDS = [["name", 260], ["place", 200], ["phone", 170], ["email", 220]] as const;

/** Name, place, phone and mail as they are on file; merged with another entry, or forgotten. */
export function WhoTheyAre({ file }: { file: CustomerFile }) {
  const [typed, setTyped] = useState({ name: file.name, place: file.place, phone: file.phone, email: file.email, note: file.note });
  const path = { path: { id: file.id } };
  const changing = useFileChange((body: typeof typed) => told(api.POST("/api/customers/{id}", { params: path, body })));
  const navigate = useNavigate();
  const others = (useCustomers().data ?? []).filter((one) => one.id !== file.id);
  const merging = useFileChange((into: number) => told(api.POST("/api/customers/{id}/merge", { params: path, body: { key: freshKey(), into } })));
  const erasing = useFileChange(() => told(api.POST("/api/customers/{id}/erase", { params: path, body: {} })));
  const problem = changing.error ?? merging.error ?? erasing.error;
  const send = (event: FormEvent) => {
    event.preventDefault();
    changing.mutate(typed);
  };
  const changed = Object.entries(typed).some(([key, value]) => value !== file[key as keyof typeof typed]);
  return (
    <>
      <Box component="form" onSubmit={send} aria-label="Who they are" sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
        {FIELDS.map(([field, width]) => (
          <TextField key={field} size="small" label={field} value={typed[field]} onChange={(event) => setTyped({ ...typed, [field]: event.target.value })} sx={{ width }} slotProps={{ htmlInput: { maxLength: field === "phone" ? 40 : 80 } }} />
        ))}
        <TextField size="small" label="note" multiline value={typed.note} onChange={(event) => setTyped({ ...typed, note: event.target.value })} sx={{ width: 540 }} slotProps={{ htmlInput: { maxLength: 1000 } }} />
        <Button type="submit" variant="outlined" disabled={!changed || changing.isPending}>Change</Button>
      </Box>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      <details>
        <summary>The same as another, or to be forgotten</summary>
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mt: 1 }}>
          <Autocomplete
            size="small"
            sx={{ width: 320 }}
            options={others}
            getOptionLabel={(one) => [one.name, one.place].filter(Boolean).join(", ")}
            getOptionKey={(one) => one.id}
            onChange={(_, one) => { if (one) merging.mutate(one.id, { onSuccess: (stays) => void navigate(`/desk/customers/${stays.id}`) }); }}
            renderInput={(props) => <TextField {...props} label="is the same as" />}
          />
          <Button variant="outlined" onClick={() => erasing.mutate(undefined)}>Forget this customer</Button>
          <a href={`/api/customers/${file.id}`} download={`customer-${file.id}.json`}>all that is kept of them (JSON)</a>
        </Box>
      </details>
    </>
  );
}
