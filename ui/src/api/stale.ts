import { type QueryKey, useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";

/** What each kind of change makes stale, as the first words of query keys. */
const STALE = {
  order: [["orders"], ["bench"], ["tools"], ["today"]],
  step: [["orders", "list"], ["tools"], ["prices"], ["stock"], ["today"]],
  customer: [["customers"], ["today"]],
  stock: [["prices"], ["stock"], ["to-buy"], ["today"]],
  purchase: [["purchases"], ["to-buy"], ["prices"], ["stock"], ["today"]],
  tools: [["tools"], ["today"]],
  people: [["people"]],
  session: [["session"]],
  health: [["health"]],
} satisfies Record<string, readonly QueryKey[]>;

export type Change = keyof typeof STALE;

/** Tells what has changed: what rests on it is asked for again. */
export function useStale(): (change: Change) => void {
  const cache = useQueryClient();
  return useCallback((change) => STALE[change].forEach((queryKey) => void cache.invalidateQueries({ queryKey })), [cache]);
}
