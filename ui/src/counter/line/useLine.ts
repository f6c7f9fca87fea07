import { useCallback } from "react";
import { type Intent, useArrived } from "../../api/outbox";
import type { TicketView } from "../../api/types";
import { useDraft } from "../../ticket/useDraft";
import type { Said } from "./useSaid";

/** What stands in the line, and steps that give its words back where they are refused. */
export function useLine(view: TicketView, said: Said) {
  const draft = useDraft(view.id);
  // A line that came back to the field and then arrived after all is not typed again.
  const { forget } = draft;
  useArrived(useCallback(({ body }: Intent) => typeof body.words === "string" && forget(body.words), [forget]));

  /** Does what the line says. The field is free at once, and has the line back if it was not taken. */
  const take = async <T>(step: () => Promise<T>): Promise<T> => {
    const words = draft.text;
    draft.send(words);
    const result = await step();
    if (result) {
      draft.taken(words);
      said.quiet();
    } else draft.refused(words);
    return result;
  };

  return { draft, take };
}

export type Line = ReturnType<typeof useLine>;
