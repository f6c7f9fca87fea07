import type { components } from "../api/schema";

type Ways = components["schemas"]["Ways"];

let ways: Ways = { currency: "EUR", dates: "day_first", paper: "A4", labels: "sheet", open_days: [] };
/** Figures are written as the browser's language writes them. */
const language = navigator.language;
const LOCALES: Record<Ways["dates"], string> = { day_first: "en-GB", month_first: "en-US", iso: "sv-SE" };
let money = moneyOf(ways);

function moneyOf({ currency }: Ways) {
  return new Intl.NumberFormat(language, { style: "currency", currency, currencyDisplay: "narrowSymbol" });
}

/** How this shop writes money and dates: told once by the server, before anything is shown. */
export function setWays(told: Ways) {
  ways = told;
  money = moneyOf(told);
}

export const price = (cents: number): string => money.format(cents / 100);

export const percent = (probability: number): string =>
  probability > 0 && probability < 0.01 ? "<1 %" : `${Math.floor(probability * 100)} %`;

export const day = (time: string): string =>
  new Date(time).toLocaleString(LOCALES[ways.dates], ways.dates === "iso"
    ? { year: "numeric", month: "2-digit", day: "2-digit", hour: "2-digit", minute: "2-digit" }
    : { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit", hour12: false });

/** A day without its hour, from "2026-12-09". */
export const date = (iso: string): string =>
  new Date(`${iso}T12:00`).toLocaleDateString(LOCALES[ways.dates], ways.dates === "iso" ? {} : { day: "numeric", month: "short", year: "numeric" });

/** A sentence of the server, its days written as this shop writes them. */
export const dated = (sentence: string): string => sentence.replace(/\b\d{4}-\d\d-\d\d\b/g, date);

export const clock = (time: string): string => new Date(time).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });

/** "3", or "1 pack of 3" where a sale unit holds several. */
export const packs = ({ quantity, pack }: { quantity: number; pack: number }): string =>
  pack > 1 ? `${quantity} ${quantity === 1 ? "pack" : "packs"} of ${pack}` : String(quantity);

/** "6 here", or "6 here, 5 promised". */
export const here = ({ on_hand, promised }: { on_hand: number; promised: number }): string =>
  `${on_hand} here${promised > 0 ? `, ${promised} promised` : ""}`;

const MINUTE = 60_000;

/** How long ago: "12 min", "3 h", "4 days". */
export function waited(since: string): string {
  const minutes = Math.max(0, Math.round((Date.now() - new Date(since).getTime()) / MINUTE));
  if (minutes < 60) return `${minutes} min`;
  const hours = Math.round(minutes / 60);
  if (hours < 36) return `${hours} h`;
  return `${Math.round(hours / 24)} days`;
}
