import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import { ProblemAlert } from "../shell/ProblemAlert";

/** What is added to all prices; the owner sets it. */
export function Tax() {
  const cache = useQueryClient();
  const { data } = useQuery({ queryKey: ["tax"], queryFn: () => told(api.GET("/api/tax")) });
  const [typed, setTyped] = useState<string | null>(null);
  const setting = useMutation({
    mutationFn: () => told(api.POST("/api/tax", { body: { percent: typed ?? "" } })),
    onSuccess: (fresh) => {
      setTyped(null);
      cache.setQueryData(["tax"], fresh);
    },
  });
  const send = (event: FormEvent) => {
    event.preventDefault();
    setting.mutate();
  };
  return (
    <Box component="form" aria-label="Tax" onSubmit={send} sx={{ display: "flex", gap: 1, alignItems: "center", mb: 1 }}>
      <TextField size="small" label="tax on top, %" value={typed ?? data?.percent ?? ""} onChange={(event) => setTyped(event.target.value)} sx={{ width: 130 }} slotProps={{ htmlInput: { maxLength: 10 } }} />
      <Button type="submit" size="small" variant="outlined" disabled={typed === null}>Set the tax</Button>
      {setting.error && <ProblemAlert>{setting.error.message}</ProblemAlert>}
    </Box>
  );
}
