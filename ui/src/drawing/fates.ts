/** What becomes of a piece, told by its filling; they are told apart without colour. */
export type Fate = "replace" | "turn" | "rework" | "clean" | "inspect" | "keep" | null | undefined;

export const fateNames: { fate: Exclude<Fate, undefined>; name: string }[] = [
  { fate: "replace", name: "renew" },
  { fate: "inspect", name: "look over" },
  { fate: "turn", name: "turn over" },
  { fate: "rework", name: "rework or clean" },
  { fate: "keep", name: "put back" },
  { fate: null, name: "stays in place" },
];

/** The one fate that a piece is drawn with: where positions differ, the one that asks for most. */
export function shownFate(fates: (string | null)[]): Fate {
  const order = ["replace", "rework", "clean", "turn", "inspect", "keep"];
  return (order.find((one) => fates.includes(one)) ?? null) as Fate;
}
