import { useCallback, useRef, useState } from "react";
import { type Intent, useArrived } from "../../api/outbox";
import type { TicketView } from "../../api/types";
import { useDraft } from "../../ticket/useDraft";

/** What is answered below the line. */
export interface Said {
  text: string;
  wrong: boolean;
}

/** The typing line: what stands in it, what is answered below it, and steps that give its words back where they are refused. */
export function useLine(view: TicketView) {
  const draft = useDraft(view.id);
  const [said, setSaid] = useState<Said | null>(null);
  const field = useRef<HTMLInputElement>(null);
  // A line that came back to the field and then arrived after all is not typed again.
  const { forget } = draft;
  useArrived(useCallback(({ body }: Intent) => typeof body.words === "string" && forget(body.words), [forget]));

  return {
    draft,
    said,
    field,
    tell: (text: string) => setSaid({ text, wrong: false }),
    /** A refused command stays in the line, marked, so that the next typing takes its place. */
    complain: (text: string) => {
      setSaid({ text, wrong: true });
      field.current?.select();
    },
    /** Does what the line says. The field is free at once, and has the line back if it was not taken. */
    take: async <T>(step: () => Promise<T>): Promise<T> => {
      const words = draft.text;
      draft.send(words);
      const result = await step();
      if (result) {
        draft.taken(words);
        setSaid(null);
      } else draft.refused(words);
      return result;
    },
  };
}

export type Line = ReturnType<typeof useLine>;
