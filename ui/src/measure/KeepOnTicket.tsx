import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { freshKey } from "../ticket/key";
import { ProblemAlert } from "../shell/ProblemAlert";

type Measure = components["schemas"]["MeasuredEntry"]["measure"];

interface Props {
  ticket: number | null;
  what: "seal" | "flow";
  request: Measure;
}

/** Puts what was found on the ticket, with its sum, and goes back there. */
export function KeepOnTicket({ ticket, what, request }: Props) {
  const navigate = useNavigate();
  const keep = useMutation({
    mutationFn: (id: number) => told(api.POST("/api/tickets/{id}/entries", { params: { path: { id } }, body: { kind: "measured", key: freshKey(), what, measure: request } })),
    onSuccess: (view) => void navigate(`/tickets/${view.id}`),
  });
  if (ticket === null) return null;
  return (
    <Box sx={{ my: 1 }}>
      <Button variant="contained" disabled={keep.isPending} onClick={() => keep.mutate(ticket)}>Keep this on ticket {ticket}</Button>
      {keep.error && <ProblemAlert>{keep.error.message}</ProblemAlert>}
    </Box>
  );
}
