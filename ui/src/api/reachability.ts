import { useSyncExternalStore } from "react";

/** Without an answer for so long, the server is said to be gone. */
const LATE_MS = 1200;
/** A draft is worked out order by order. */
const LONG = /\/api\/(drafts|series)\//;
const LONG_MS = 15_000;
/** What a proxy says when nobody is behind it. */
const NOBODY_BEHIND = new Set([502, 504]);

/** When somebody last touched this till. */
let touched = Date.now();
["keydown", "pointerdown"].forEach((touch) => addEventListener(touch, () => (touched = Date.now()), { capture: true }));

let answers = true;
const listeners = new Set<() => void>();

function note(now: boolean) {
  if (answers === now) return;
  answers = now;
  listeners.forEach((listener) => listener());
}

/** As fetch, and notes whether the server answers. What the page asks for by itself says for how long nobody was here. */
export async function watchedFetch(request: Request): Promise<Response> {
  request.headers.set("Gimlet-Idle", String(Math.round((Date.now() - touched) / 1000)));
  const late = setTimeout(() => note(false), LONG.test(request.url) ? LONG_MS : LATE_MS);
  try {
    const response = await fetch(request);
    note(!NOBODY_BEHIND.has(response.status));
    return response;
  } catch (error) {
    note(false);
    throw error;
  } finally {
    clearTimeout(late);
  }
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether the server answered the last time it was asked. */
export const useReachable = (): boolean => useSyncExternalStore(subscribe, () => answers);
