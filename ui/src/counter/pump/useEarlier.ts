import { useState } from "react";
import type { Identification } from "../../api/types";

const told = (found: Identification) => JSON.stringify(found.readings.map((one) => [one.trait, one.value, one.range]));

/** Probabilities before the latest reading, by candidate, to show what it moved. */
export function useEarlier(found: Identification): Map<string, number> {
  const [kept, setKept] = useState({ now: found, before: new Map<string, number>() });
  if (kept.now !== found) {
    const before = told(kept.now) === told(found) ? kept.before : new Map(kept.now.candidates.map((one) => [one.id, one.probability]));
    setKept({ now: found, before });
  }
  return kept.before;
}
