import { freshKey } from "./key";

/**
 * Keys of steps that were sent and not answered for. The same step sent again has the same key, after a reload too: the server counts it once,
 * whether or not it had arrived the first time.
 */
const nameOf = (place: string) => `gimlet unanswered ${place}`;
const kept = (place: string): Record<string, string> => JSON.parse(localStorage.getItem(nameOf(place)) ?? "{}") as Record<string, string>;

export function keyOf(place: string, step: object): string {
  const keys = kept(place);
  const key = keys[JSON.stringify(step)] ?? freshKey();
  localStorage.setItem(nameOf(place), JSON.stringify({ ...keys, [JSON.stringify(step)]: key }));
  return key;
}

export function answered(place: string, step: object) {
  const rest = Object.entries(kept(place)).filter(([sent]) => sent !== JSON.stringify(step));
  if (rest.length === 0) localStorage.removeItem(nameOf(place));
  else localStorage.setItem(nameOf(place), JSON.stringify(Object.fromEntries(rest)));
}
