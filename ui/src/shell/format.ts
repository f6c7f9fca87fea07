const euros = new Intl.NumberFormat("en-IE", { style: "currency", currency: "EUR" });

export const price = (cents: number): string => euros.format(cents / 100);

export const percent = (probability: number): string =>
  probability > 0 && probability < 0.01 ? "<1 %" : `${Math.floor(probability * 100)} %`;

export const day = (time: string): string =>
  new Date(time).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });

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
