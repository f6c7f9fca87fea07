import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import { useStale } from "../api/stale";
import { ProblemAlert } from "./ProblemAlert";
import { StopCard, type Stop } from "./StopCard";
import { freshKey } from "../ticket/key";

/** A danger on an order: the first step of its work, which goes on only when somebody says what was looked at. */
export function StandingStop({ order, stop }: { order: number; stop: Stop }) {
  const stale = useStale();
  const [words, setWords] = useState("");
  const lifting = useMutation({
    mutationFn: () => told(api.POST("/api/orders/{id}/stops", { params: { path: { id: order } }, body: { key: freshKey(), hazard: stop.id, reason: words } })),
    onSuccess: () => stale("order"),
  });
  const send = (event: FormEvent) => {
    event.preventDefault();
    lifting.mutate();
  };
  return (
    <StopCard stop={stop}>
      <Box component="form" aria-label={`Lift: ${stop.name}`} onSubmit={send} sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
        <TextField size="small" label="what was looked at, by whom" value={words} onChange={(event) => setWords(event.target.value)} sx={{ width: 420, maxWidth: "100%" }} slotProps={{ htmlInput: { maxLength: 400 } }} />
        <Button type="submit" variant="outlined" disabled={lifting.isPending}>It is seen to: go on</Button>
      </Box>
      {lifting.error && <ProblemAlert>{lifting.error.message}</ProblemAlert>}
    </StopCard>
  );
}
