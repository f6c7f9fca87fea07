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
