import { useEffect, useState } from "react";

const STILL_MS = 130;

/** What was typed, once the hand rests. */
export function useDebounced<T>(value: T): T {
  const [rested, setRested] = useState(value);
  const told = JSON.stringify(value);
  useEffect(() => {
    const timer = setTimeout(() => setRested(JSON.parse(told) as T), STILL_MS);
    return () => clearTimeout(timer);
  }, [told]);
  return rested;
}
