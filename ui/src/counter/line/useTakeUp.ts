import { useMemo } from "react";
import type { TicketView } from "../../api/types";
import type { LiveTicket } from "../../ticket/useTicket";

/** What unheard words can be made, each on one key after the equals sign. */
export const makings = [
  { key: "p", name: "plate", trait: "plate" },
  { key: "n", name: "part number", trait: "part_number" },
  { key: "s", name: "serial", trait: "serial" },
  { key: "m", name: "maker", trait: "maker" },
  { key: "c", name: "complaint", trait: null },
] as const;

export interface TakeUp {
  /** The latest words that were not heard. */
  words: string | null;
  make: (key: string) => void;
}

/** The latest words nothing was made of, and how to make something of them. */
export function useTakeUp(ticket: LiveTicket, view: TicketView): TakeUp {
  const { add } = ticket;
  // With the next line it is past.
  const latest = useMemo(() => [...view.call].reverse().find((line) => line.kind === "said" && !line.struck), [view.call]);
  const words = view.order_id === null ? latest?.unheard[0]?.words ?? null : null;
  return {
    words,
    make: (key) => {
      const making = makings.find((one) => one.key === key);
      if (!making || !latest || words === null) return;
      const told = making.trait === null ? { complaint: "other" } : { reading: { trait: making.trait, value: words } };
      void add("line", { kind: "taken_up", of: latest.number, words, ...told });
    },
  };
}
