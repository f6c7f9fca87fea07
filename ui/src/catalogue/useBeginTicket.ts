import { useMutation } from "@tanstack/react-query";
import { useEffect } from "react";
import { useNavigate } from "react-router";
import { api, told } from "../api/client";
import { freshKey } from "../ticket/key";
import { useStored } from "../ticket/useStored";

const KEY = "t";
/** Fields in which a letter is a letter. */
const TYPED_IN = "input, textarea, select, [contenteditable=true]";

/** A ticket that begins with what is looked at: a number or a designation, as if it had been said. By button, or by the key t. */
export function useBeginTicket(words: string) {
  const navigate = useNavigate();
  const [who] = useStored("gimlet who", "counter");
  const { mutate, isPending, error } = useMutation({
    mutationFn: () => told(api.POST("/api/tickets", { body: { kind: "said", key: freshKey(), who, words } })),
    onSuccess: (view) => void navigate(`/tickets/${view.id}`),
  });
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      const typing = event.target instanceof Element && event.target.matches(TYPED_IN);
      if (event.key !== KEY || typing || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      mutate();
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, [mutate]);
  return { begin: () => mutate(), busy: isPending, error };
}
