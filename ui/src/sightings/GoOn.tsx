import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import { ProblemAlert } from "../shell/ProblemAlert";
import { freshKey } from "../ticket/key";

/** How the wait ends: the ticket goes on towards an order, or nothing comes of it. Either says why. */
export function GoOn({ ticket }: { ticket: number }) {
  const [reason, setReason] = useState("");
  const navigate = useNavigate();
  const cache = useQueryClient();
  const ending = useMutation({
    mutationFn: (kind: "reopened" | "closed") => told(api.POST("/api/tickets/{id}/entries", { params: { path: { id: ticket } }, body: { kind, reason, key: freshKey() } })),
    onSuccess: (_view, kind) => {
      void cache.invalidateQueries({ queryKey: ["sightings"] });
      if (kind === "reopened") void navigate(`/tickets/${ticket}`);
    },
  });
  return (
    <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); ending.mutate("reopened"); }} sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mt: 1 }}>
      <TextField size="small" label="what came of it" value={reason} onChange={(event) => setReason(event.target.value)} sx={{ width: 280 }} slotProps={{ htmlInput: { maxLength: 400 } }} />
      <Button type="submit" variant="outlined" size="small" disabled={ending.isPending}>The ticket goes on</Button>
      <Button variant="text" size="small" disabled={ending.isPending} onClick={() => ending.mutate("closed")}>Nothing comes of it</Button>
      {ending.error && <ProblemAlert>{ending.error.message}</ProblemAlert>}
    </Box>
  );
}
