import { useMemo } from "react";
import type { CallLine, TicketView } from "../../api/types";
import { keys } from "../../shell/keys";
import type { LiveTicket } from "../../ticket/useTicket";

/** One key for each meaning, and one for none of them. */
export const optionKeys = [keys.meaning1.key, keys.meaning2.key, keys.meaning3.key];
export const neitherKey = keys.clear.key;

export type OpenChoice = CallLine["choices"][number];

export interface Choosing {
  /** The latest words that may mean more than one thing, and the line they stand in. */
  open: { line: number; choice: OpenChoice } | null;
  pick: (option: number | null) => Promise<boolean>;
  pickIn: (line: number, choice: number, option: number | null) => Promise<boolean>;
}

/** Words that may mean one thing or another, and picking which. Nothing of them counts until then. */
export function useChoice(ticket: LiveTicket, view: TicketView): Choosing {
  const { add } = ticket;
  const open = useMemo(() => {
    const line = [...view.call].reverse().find((one) => one.choices.length > 0);
    return line && view.order_id === null ? { line: line.number, choice: line.choices[0]! } : null;
  }, [view.call, view.order_id]);
  const pickIn = (line: number, choice: number, option: number | null) => add("line", { kind: "picked", of: line, choice, option });
  return { open, pickIn, pick: (option) => (open ? pickIn(open.line, open.choice.choice, option) : Promise.resolve(false)) };
}
