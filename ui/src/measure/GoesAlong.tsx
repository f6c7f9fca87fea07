import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { freshKey } from "../ticket/key";
import { ProblemAlert } from "../shell/ProblemAlert";

interface Props {
  ticket: number | null;
  number: string | null | undefined;
  why: string;
}

/** Puts one of it on the ticket's order, beside what the work needs. */
export function GoesAlong({ ticket, number, why }: Props) {
  const put = useMutation({
    mutationFn: (id: number) => told(api.POST("/api/tickets/{id}/entries", { params: { path: { id } }, body: { kind: "also", key: freshKey(), number: number ?? "", quantity: 1, reason: why } })),
  });
  if (ticket === null || !number) return null;
  if (put.data) return <span role="status"> Added to ticket {ticket}.</span>;
  return (
    <>
      <Button size="small" disabled={put.isPending} onClick={() => put.mutate(ticket)} aria-label={`${number} goes along with ticket ${ticket}`}>add to the ticket</Button>
      {put.error && <ProblemAlert>{put.error.message}</ProblemAlert>}
    </>
  );
}
