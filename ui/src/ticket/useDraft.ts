import { useCallback, useEffect, useState } from "react";

interface Draft {
  text: string;
  /** Lines sent and not yet answered for. */
  sent: string[];
}

const nameOf = (id: number | null) => `gimlet draft ${id ?? "new"}`;
const joined = ({ text, sent }: Draft) => [...sent, text].filter(Boolean).join(" ");
const without = (sent: string[], line: string) => sent.filter((_, place) => place !== sent.indexOf(line));

/**
 * The line being typed on a ticket. The field is free as soon as a line is sent, so that fast hands do not type onto it; until it is
 * answered for, a refusal or a reload brings it back. A ticket that gets its number keeps what is being typed.
 */
export function useDraft(id: number | null) {
  const [first] = useState(id);
  const [draft, setDraft] = useState<Draft>({ text: localStorage.getItem(nameOf(id)) ?? "", sent: [] });
  const kept = joined(draft);

  useEffect(() => {
    if (first !== id) localStorage.removeItem(nameOf(first));
    if (kept === "") localStorage.removeItem(nameOf(id));
    else localStorage.setItem(nameOf(id), kept);
  }, [first, id, kept]);

  return {
    text: draft.text,
    type: useCallback((text: string) => setDraft((now) => ({ ...now, text })), []),
    send: useCallback((line: string) => setDraft((now) => ({ text: now.text === line ? "" : now.text, sent: [...now.sent, line] })), []),
    taken: useCallback((line: string) => setDraft((now) => ({ ...now, sent: without(now.sent, line) })), []),
    forget: useCallback((line: string) => setDraft((now) => (now.text === line ? { ...now, text: "" } : now)), []),
    refused: useCallback(
      (line: string) => setDraft((now) => ({ text: joined({ text: now.text, sent: [line] }), sent: without(now.sent, line) })),
      [],
    ),
  };
}
