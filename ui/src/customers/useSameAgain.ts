import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import { freshKey } from "../ticket/key";

/** A new ticket with customer, pump and work of an order, opened at the counter. */
export function useSameAgain() {
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (id: number) => told(api.POST("/api/orders/{id}/again", { params: { path: { id } }, body: { key: freshKey() } })),
    onSuccess: (view) => void navigate(`/tickets/${view.id}`),
  });
}
