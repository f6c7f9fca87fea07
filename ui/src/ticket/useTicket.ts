import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { api, Problem, told, worthAnotherTry } from "../api/client";
import type { NewEntry, TicketView } from "../api/types";
import { blankView } from "./blank";
import { freshKey } from "./key";

const LOOK_AGAIN_MS = 2000;

/** Of each kind its own fields. */
type Step = NewEntry extends infer Kind ? (Kind extends NewEntry ? Omit<Kind, "key" | "who"> : never) : never;

export interface LiveTicket {
  view: TicketView | undefined;
  /** Why the ticket could not be shown. */
  missing: string | null;
  /** Why the last step was refused, and where on the page it was taken. */
  problem: { where: string; text: string } | null;
  busy: boolean;
  /** Adds one entry. Answers whether it was taken. */
  add: (where: string, step: Step) => Promise<boolean>;
  /** Saves the order, or a quote, on what is on screen. */
  order: (where: string, reason: string | null, quote?: boolean) => Promise<TicketView | null>;
  forget: () => void;
}

const fetchView = (id: number | null): Promise<TicketView> =>
  id === null ? told(api.GET("/api/tickets/new")) : told(api.GET("/api/tickets/{id}", { params: { path: { id } } }));

const NOT_MODIFIED = 304;
/** What the server called the view that is known, by ticket. The browser itself keeps none of it: customers are named there. */
const marks = new Map<number, string>();

/** The view, or the one that is known where nothing has changed since. */
async function lookAgain(id: number, known: TicketView): Promise<TicketView> {
  const mark = marks.get(id);
  const { data, error, response } = await api.GET("/api/tickets/{id}", { params: { path: { id } }, ...(mark ? { headers: { "If-None-Match": mark } } : {}) })
    .catch(() => ({ data: undefined, error: {}, response: undefined }));
  if (response?.status === NOT_MODIFIED) return known;
  const view = await told(Promise.resolve({ ...(data ? { data } : {}), error }));
  const fresh = response?.headers.get("ETag");
  if (fresh) marks.set(id, fresh);
  return view;
}

/** Sent by the ticket's number as it is known when its turn comes. */
const post = (id: number | null, body: NewEntry): Promise<TicketView> =>
  id === null
    ? told(api.POST("/api/tickets", { body }))
    : told(api.POST("/api/tickets/{id}/entries", { params: { path: { id } }, body }));

/**
 * A ticket as the server has it. One query shows it, and looks again for what others add; one mutation adds entries, one after the
 * other. A fresh ticket gets its number with its first entry.
 */
export function useTicket(startId: number | null, who: string, onNumbered: (id: number) => void): LiveTicket {
  const cache = useQueryClient();
  const [id, setId] = useState(startId);
  const number = useRef(startId);
  const [problem, setProblem] = useState<LiveTicket["problem"]>(null);

  const query = useQuery({
    queryKey: ["ticket", id],
    queryFn: async () => {
      const known = cache.getQueryData<TicketView>(["ticket", id]);
      const fetched = id !== null && known ? await lookAgain(id, known) : await fetchView(id);
      return known && known.last > fetched.last ? known : fetched;
    },
    refetchInterval: id === null ? false : LOOK_AGAIN_MS,
    placeholderData: blankView(id),
    retry: worthAnotherTry,
  });

  const keep = useCallback(
    (view: TicketView) => {
      cache.setQueryData(["ticket", view.id], view);
      if (number.current !== null) return;
      number.current = view.id;
      setId(view.id);
      onNumbered(view.id!);
    },
    [cache, onNumbered],
  );

  const entry = useMutation({
    mutationFn: (body: NewEntry) => post(number.current, body),
    scope: { id: "ticket" },
    retry: worthAnotherTry,
    onSuccess: keep,
  });

  const ordering = useMutation({
    mutationFn: (saved: Saved) => placeOrder(number.current, cache.getQueryData<TicketView>(["ticket", number.current]), saved, who),
    scope: { id: "ticket" },
    onSuccess: keep,
    // What changed since is shown before it is agreed.
    onError: () => cache.invalidateQueries({ queryKey: ["ticket", number.current] }),
  });

  const attempt = useCallback(async <T,>(where: string, work: Promise<T>): Promise<T | null> => {
    try {
      const result = await work;
      setProblem(null);
      return result;
    } catch (error) {
      setProblem({ where, text: (error as Problem).message });
      return null;
    }
  }, []);

  const { mutateAsync: send } = entry;
  const { mutateAsync: save } = ordering;
  return {
    view: query.data,
    missing: query.data === undefined && query.error ? query.error.message : null,
    problem,
    busy: entry.isPending || ordering.isPending,
    add: useCallback(
      async (where, step) => (await attempt(where, send({ ...step, key: freshKey(), who }))) !== null,
      [attempt, send, who],
    ),
    order: useCallback((where, reason, quote = false) => attempt(where, save({ reason, quote })), [attempt, save]),
    forget: useCallback(() => setProblem(null), []),
  };
}

interface Saved {
  reason: string | null;
  quote: boolean;
}

async function placeOrder(id: number | null, seen: TicketView | undefined, { reason, quote }: Saved, who: string): Promise<TicketView> {
  if (id === null || !seen) throw new Problem({ detail: "There is nothing to save yet: say what the pump is and agree the work." });
  await told(api.POST("/api/orders", { body: { ticket_id: id, on: seen.last, seen: seen.seen ?? [], revision: seen.amending?.revision ?? null, reason, quote, who } }));
  return fetchView(id);
}
