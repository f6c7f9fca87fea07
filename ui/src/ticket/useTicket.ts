import { useCallback, useEffect, useRef, useState } from "react";
import { api, Problem, told } from "../api/client";
import type { Ticket, TicketState } from "../api/types";
import { freshTicket } from "./state";

const PAUSE_MS = 250;

type Change = (state: TicketState) => TicketState;

export interface LiveTicket {
  id: number | null;
  orderId: number | null;
  state: TicketState;
  loading: boolean;
  /** Why the last save did not go through. */
  problem: string | null;
  change: (change: Change) => void;
  /** Saves at once what is still waiting. Answers the id and version on the server. */
  settle: () => Promise<{ id: number; version: number }>;
  setOrderId: (id: number) => void;
}

/**
 * A ticket that keeps itself on the server. A fresh one gets its number with the first change.
 * Saves go one after another, each with the version it was made on.
 */
export function useTicket(startId: number | null, onNumbered: (id: number) => void): LiveTicket {
  const [state, setState] = useState(freshTicket);
  const [id, setId] = useState(startId);
  const [orderId, setOrderId] = useState<number | null>(null);
  const [loading, setLoading] = useState(startId !== null);
  const [problem, setProblem] = useState<string | null>(null);
  const latest = useRef({ state: freshTicket, saved: freshTicket, id: startId, version: 0 });
  const queue = useRef<Promise<unknown>>(Promise.resolve());

  useEffect(() => {
    if (startId === null || latest.current.version > 0) return;
    told(api.GET("/api/tickets/{id}", { params: { path: { id: startId } } }))
      .then((ticket) => {
        latest.current = { state: ticket.state, saved: ticket.state, id: ticket.id, version: ticket.version };
        setState(ticket.state);
        setOrderId(ticket.order_id);
      })
      .catch((error: Problem) => setProblem(error.message))
      .finally(() => setLoading(false));
  }, [startId]);

  const save = useCallback(async () => {
    const now = latest.current;
    if (now.state === now.saved && now.id !== null) return;
    const sent = now.state;
    try {
      const ticket = await put(now.id, now.version, sent);
      latest.current = { ...latest.current, saved: sent, id: ticket.id, version: ticket.version };
      setProblem(null);
      if (now.id === null) {
        setId(ticket.id);
        onNumbered(ticket.id);
      }
    } catch (error) {
      setProblem((error as Problem).message);
      throw error;
    }
  }, [onNumbered]);

  const enqueue = useCallback(() => {
    const next = queue.current.catch(() => undefined).then(save);
    queue.current = next;
    return next;
  }, [save]);

  useEffect(() => {
    if (state === latest.current.saved) return;
    const timer = setTimeout(() => void enqueue().catch(() => undefined), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [state, enqueue]);

  // Whoever leaves the page within the pause loses nothing.
  useEffect(() => {
    const flush = () => {
      if (latest.current.state !== latest.current.saved) void enqueue().catch(() => undefined);
    };
    window.addEventListener("pagehide", flush);
    return () => {
      window.removeEventListener("pagehide", flush);
      flush();
    };
  }, [enqueue]);

  const change = useCallback((change: Change) => {
    latest.current.state = change(latest.current.state);
    setState(latest.current.state);
  }, []);

  const settle = useCallback(async () => {
    await enqueue();
    return { id: latest.current.id!, version: latest.current.version };
  }, [enqueue]);

  return { id, orderId, state, loading, problem, change, settle, setOrderId };
}

function put(id: number | null, version: number, state: TicketState): Promise<Ticket> {
  if (id === null) return told(api.POST("/api/tickets", { body: { state }, keepalive: true }));
  return told(api.PUT("/api/tickets/{id}", { params: { path: { id } }, body: { version, state }, keepalive: true }));
}
