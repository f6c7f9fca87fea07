import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { sendAs } from "../api/outbox";
import { setWays } from "./format";

const KEY = ["session"];

/** The shop's ways of writing come with it. */
async function look() {
  const session = await told(api.GET("/api/session"));
  setWays(session.ways);
  sendAs(session.person?.name ?? null);
  return session;
}

/** Who is at the till. While nobody is on file there is nothing to sign in to. */
export const useSession = () => useQuery({ queryKey: KEY, queryFn: look, refetchInterval: 60_000 });

/** Whether whoever is at the till may ask for an operation of the API: what they may not do is not offered. */
export function useMay(): (operation: string) => boolean {
  const { data } = useSession();
  return (operation) => data?.may.includes(operation) ?? false;
}

export function useSignIn() {
  const cache = useQueryClient();
  const keep = () => void cache.resetQueries();
  const come = useMutation({ mutationFn: (body: { name: string; secret?: string }) => told(api.POST("/api/session", { body })), onSuccess: keep });
  const leave = useMutation({ mutationFn: () => told(api.POST("/api/session/end", { body: {} })), onSuccess: keep });
  return { come, leave };
}
