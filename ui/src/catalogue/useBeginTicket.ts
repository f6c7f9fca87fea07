import { useMutation } from "@tanstack/react-query";
import { useMemo } from "react";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import { useKeys } from "../shell/keys";
import { freshKey } from "../ticket/key";
import { useStored } from "../ticket/useStored";

/** A ticket that begins with what is looked at: a number or a designation, as if it had been said. By button, or by the key t. */
export function useBeginTicket(words: string) {
  const navigate = useNavigate();
  const [who] = useStored("gimlet who", "counter");
  const { mutate, isPending, error } = useMutation({
    mutationFn: () => told(api.POST("/api/tickets", { body: { kind: "said", key: freshKey(), who, words } })),
    onSuccess: (view) => void navigate(`/tickets/${view.id}`),
  });
  useKeys(useMemo(() => ({ begin: () => mutate() }), [mutate]));
  return { begin: () => mutate(), busy: isPending, error };
}
