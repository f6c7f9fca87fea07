import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import { freshKey } from "./key";

/** Another kind of pump in the same call: a ticket of its own, beside this one. */
export function useAnotherJob() {
  const navigate = useNavigate();
  return useMutation({
    mutationFn: (id: number) => told(api.POST("/api/tickets/{id}/jobs", { params: { path: { id } }, body: { key: freshKey() } })),
    onSuccess: (view) => void navigate(`/tickets/${view.id}`),
  });
}
