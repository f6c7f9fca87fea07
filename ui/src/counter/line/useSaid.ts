import { type RefObject, useState } from "react";

/** What is answered below the line. */
export interface Said {
  answer: { text: string; wrong: boolean } | null;
  tell: (text: string) => void;
  /** A refused command stays in the line, marked, so that the next typing takes its place. */
  complain: (text: string) => void;
  quiet: () => void;
}

export function useSaid(field: RefObject<HTMLInputElement | null>): Said {
  const [answer, setAnswer] = useState<Said["answer"]>(null);
  return {
    answer,
    tell: (text) => setAnswer({ text, wrong: false }),
    complain: (text) => {
      setAnswer({ text, wrong: true });
      field.current?.select();
    },
    quiet: () => setAnswer(null),
  };
}
