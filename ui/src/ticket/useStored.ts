import { useCallback, useState } from "react";

/** A text that survives a reload of the page. `name` says where it is kept; under another name it is another text. */
export function useStored(name: string, fallback = ""): [string, (text: string) => void] {
  const [kept, setKept] = useState({ name, text: localStorage.getItem(name) ?? fallback });
  if (kept.name !== name) setKept({ name, text: localStorage.getItem(name) ?? fallback });
  const store = useCallback(
    (text: string) => {
      if (text === "") localStorage.removeItem(name);
      else localStorage.setItem(name, text);
      setKept({ name, text });
    },
    [name],
  );
  return [kept.name === name ? kept.text : fallback, store];
}
