import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { ProblemAlert } from "../shell/ProblemAlert";
import { FilePick } from "./FilePick";

type Told = components["schemas"]["ShopFace"];
type Text = Exclude<keyof Told, "logo">;

const FIELDS: [Text, string, number][] = [["name", "name of the shop", 80], ["address", "address", 300], ["tax_number", "tax number", 40], ["bank", "bank", 120], ["terms", "terms", 300]];

/** Who the shop is, on its papers; the owner says. */
export function Face() {
  const cache = useQueryClient();
  const { data } = useQuery({ queryKey: ["face"], queryFn: () => told(api.GET("/api/face")) });
  const [typed, setTyped] = useState<Partial<Told>>({});
  const saving = useMutation({
    mutationFn: (body: Told) => told(api.POST("/api/face", { body })),
    onSuccess: (fresh) => {
      setTyped({});
      cache.setQueryData(["face"], fresh);
    },
  });
  if (!data) return null;
  const face = { ...data, ...typed };
  const send = (event: FormEvent) => {
    event.preventDefault();
    saving.mutate(face);
  };
  const pick = (file: File) => void base64(file).then((logo) => setTyped({ ...typed, logo }));
  return (
    <details>
      <summary>The shop's own face on its papers{data.name === "" ? ": not told yet" : `: ${data.name}`}</summary>
      <Box component="form" aria-label="The shop's face" onSubmit={send} sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "start", my: 1 }}>
        {FIELDS.map(([field, label, longest]) => (
          <TextField key={field} size="small" label={label} value={face[field]} multiline={field === "address"} onChange={(event) => setTyped({ ...typed, [field]: event.target.value })} slotProps={{ htmlInput: { maxLength: longest } }} />
        ))}
        {face.logo !== "" && <img alt="logo" src={`data:${face.logo.startsWith("iVBOR") ? "image/png" : "image/jpeg"};base64,${face.logo}`} style={{ maxHeight: 46, maxWidth: 150 }} />}
        <FilePick label="Logo (PNG or JPEG, 70 kB)" accept="image/png,image/jpeg" onFile={pick} />
        {face.logo !== "" && <Button size="small" onClick={() => setTyped({ ...typed, logo: "" })}>No logo</Button>}
        <Button type="submit" variant="outlined" disabled={Object.keys(typed).length === 0 || saving.isPending}>Keep it</Button>
        {saving.error && <ProblemAlert>{saving.error.message}</ProblemAlert>}
      </Box>
    </details>
  );
}

const base64 = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result).replace(/^[^,]*,/, ""));
    reader.onerror = () => reject(reader.error ?? new Error("the file cannot be read"));
    reader.readAsDataURL(file);
  });
