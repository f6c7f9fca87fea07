import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import { freshKey } from "../ticket/key";

/** A ticket with customer, pump and work of an order, opened at the counter: the one at hand, while nothing was said on it but who calls. */
export function useSameAgain(ticket: number | null = null) {
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (id: number) => told(api.POST("/api/orders/{id}/again", { params: { path: { id } }, body: { key: freshKey(), ...(ticket === null ? {} : { ticket_id: ticket }) } })),
    onSuccess: (view) => void navigate(`/tickets/${view.id}`),
  });
}
