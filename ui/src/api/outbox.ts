import { useEffect, useSyncExternalStore } from "react";
import { watchedFetch } from "./reachability";

/** Something that was done here and asked for with a key. It stays until the server has answered for it, over reload and crash. */
export interface Intent {
  key: string;
  path: string;
  body: Record<string, unknown>;
  /** Who was signed in: it is sent again in nobody else's name. */
  who: string | null;
  state: "sent" | "waiting" | "arrived" | "refused";
  /** Why it was refused. */
  why: string;
}

const KEPT = "gimlet outbox";
const AGAIN_MS = 2500;
/** What is said of an intent that arrived by itself, for so long. */
const TOLD_MS = 8000;
const SIGN_IN = 401;
/** What a proxy says when nobody is behind it. */
const NOBODY_BEHIND = new Set([502, 504]);

const EMPTY: Intent[] = [];
let intents = load();
let who: string | null = null;
let again: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();
const arrivals = new Set<(intent: Intent) => unknown>();

/** What was under way when the page went is waiting now; what had been settled is not told twice. */
function load(): Intent[] {
  const kept = JSON.parse(localStorage.getItem(KEPT) ?? "[]") as Intent[];
  return kept.filter((one) => one.state === "sent" || one.state === "waiting").map((one) => ({ ...one, state: "waiting" }));
}

function set(next: Intent[]) {
  intents = next.length === 0 ? EMPTY : next;
  if (next.length === 0) localStorage.removeItem(KEPT);
  else localStorage.setItem(KEPT, JSON.stringify(next));
  listeners.forEach((listener) => listener());
}

const change = (key: string, fields: Partial<Intent>) => set(intents.map((one) => (one.key === key ? { ...one, ...fields } : one)));

export const forget = (key: string) => set(intents.filter((one) => one.key !== key));

/** Who is at the till now. */
export function sendAs(name: string | null) {
  who = name;
  plan();
}

const wish = ({ path, body }: Pick<Intent, "path" | "body">) => JSON.stringify([path, { ...body, key: "" }]);

/** The same wish that nobody has answered for yet keeps the key it was first sent with, however often it is pressed. */
function kept(path: string, body: Record<string, unknown>): Intent {
  const fresh: Intent = { key: String(body.key), path, body, who, state: "sent", why: "" };
  const same = intents.find((one) => one.state !== "refused" && one.state !== "arrived" && wish(one) === wish(fresh));
  if (same) change(same.key, { state: "sent" });
  else set([...intents, fresh]);
  return same ?? fresh;
}

const post = ({ path, body }: Intent) =>
  watchedFetch(new Request(path, { method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(body) }));

/** As fetch; what has a key is kept until it is answered. */
export async function sendOnce(request: Request): Promise<Response> {
  const body = request.method === "POST" && request.headers.get("Content-Type") === "application/json" ? ((await request.clone().json()) as Intent["body"]) : {};
  if (!("key" in body)) return watchedFetch(request);
  const intent = kept(new URL(request.url).pathname, body);
  try {
    const response = await post(intent);
    if (NOBODY_BEHIND.has(response.status)) wait(intent.key);
    else forget(intent.key);
    return response;
  } catch (error) {
    wait(intent.key);
    throw error;
  }
}

function wait(key: string) {
  change(key, { state: "waiting" });
  plan();
}

function plan() {
  if (!again && intents.some((one) => one.state === "waiting")) again = setTimeout(() => void sendWaiting(), AGAIN_MS);
}

/** One after the other, in the order in which they were done; the first that gets no answer ends the round. */
async function sendWaiting() {
  for (const intent of intents.filter((one) => one.state === "waiting" && one.who === who)) if (!(await settled(intent))) break;
  again = undefined;
  plan();
}

async function settled(intent: Intent): Promise<boolean> {
  const response = await post(intent).catch(() => null);
  if (response === null || NOBODY_BEHIND.has(response.status) || response.status === SIGN_IN) return false;
  if (!response.ok) {
    const problem = (await response.json().catch(() => ({}))) as { detail?: string };
    change(intent.key, { state: "refused", why: problem.detail ?? "It was refused." });
    return true;
  }
  change(intent.key, { state: "arrived" });
  setTimeout(() => forget(intent.key), TOLD_MS);
  arrivals.forEach((listener) => listener(intent));
  return true;
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** What is not answered for, and what became of it when it was sent again by itself. What is merely under way is not told. */
export const useOutbox = (): Intent[] => useSyncExternalStore(subscribe, () => intents);

/** Told of what arrived when it was sent again by itself. */
export function useArrived(listener: (intent: Intent) => unknown) {
  useEffect(() => {
    arrivals.add(listener);
    return () => void arrivals.delete(listener);
  }, [listener]);
}
