import { useEffect } from "react";

interface Key {
  /** As the browser names it. */
  key: string;
  where: string;
  does: string;
  /** What stands on the list, where it is not the key itself. */
  shown?: string;
  /** Keys that do the same for the first, the second … of a list. */
  among?: string;
}

/** Every key that does something. The list under F1 is made from this table, and so is what listens. */
const table = {
  help: { key: "F1", where: "everywhere", does: "what can be typed and pressed here" },
  lock: { key: "F9", where: "everywhere", does: "lock the till: another person signs in" },
  toLine: { key: "/", where: "the call", does: "back to the line; any letter or figure does so too" },
  read: { key: "Enter", where: "the call", does: "reads the line; with nothing typed it carries on to the next step" },
  earlier: { key: "ArrowUp", shown: "↑", where: "the call", does: "the line typed before" },
  later: { key: "ArrowDown", shown: "↓", where: "the call", does: "the line typed after" },
  clear: { key: "Escape", shown: "Esc", where: "the call", does: "empties the line; neither, where two meanings are offered" },
  make: { key: "=", where: "the call", does: "says what the words are that were not heard: then p plate, n part number, s serial, m maker, c complaint" },
  own1: { key: "F2", where: "the call", does: "the customer's first pump" },
  own2: { key: "F3", where: "the call", does: "the customer's second pump" },
  own3: { key: "F4", where: "the call", does: "the customer's third pump" },
  own4: { key: "F5", where: "the call", does: "the customer's fourth pump" },
  meaning1: { key: "F6", where: "the call", does: "the first of two or three meanings" },
  meaning2: { key: "F7", where: "the call", does: "the second meaning" },
  meaning3: { key: "F8", where: "the call", does: "the third meaning" },
  again: { key: "F10", where: "the call", does: "the same as last time, for this customer" },
  onward: { key: "ArrowRight", shown: "→", where: "a stack taken apart, the bench", does: "the next piece or step" },
  backward: { key: "ArrowLeft", shown: "←", where: "a stack taken apart, the bench", does: "the piece or step before" },
  begin: { key: "t", where: "catalogue", does: "begins a ticket from what is looked at" },
  turnOn: { key: "Enter", where: "turn by turn", does: "this bolt is done, on to the next" },
  turnBack: { key: "Backspace", where: "turn by turn", does: "back to the bolt before" },
  pile: { key: "1", among: "123456789abcdefgh", shown: "1 to 9, a to h", where: "today", does: "opens the first of that pile" },
} as const satisfies Record<string, Key>;

export type KeyName = keyof typeof table;
export const keys: Record<KeyName, Key> = table;

/** The table by place, in its order. */
export const keysByPlace = (): [string, Key[]][] => {
  const places = new Map<string, Key[]>();
  for (const one of Object.values(keys)) places.set(one.where, [...(places.get(one.where) ?? []), one]);
  return [...places];
};

const FIELD = /^(INPUT|SELECT|TEXTAREA)$/;

/** Whether what is pressed belongs to a field or to a dialog that is open. */
export const isTyping = ({ target }: KeyboardEvent): boolean =>
  target instanceof HTMLElement && (FIELD.test(target.tagName) || target.isContentEditable || target.closest("[role=dialog]") !== null);

const nth = (name: KeyName, key: string) => (keys[name].among ? keys[name].among.indexOf(key) : keys[name].key === key ? 0 : -1);
const isFunctionKey = (key: string) => /^F\d+$/.test(key);

/** Listens for these keys anywhere on the page; letters, arrows and figures not while something is typed. */
export function useKeys(bound: Partial<Record<KeyName, (nth: number) => void>>) {
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      const hit = (Object.keys(bound) as KeyName[]).find((name) => nth(name, event.key) >= 0);
      if (!hit || (!isFunctionKey(event.key) && isTyping(event))) return;
      event.preventDefault();
      bound[hit]!(nth(hit, event.key));
    };
    document.addEventListener("keydown", listen);
    return () => document.removeEventListener("keydown", listen);
  }, [bound]);
}
