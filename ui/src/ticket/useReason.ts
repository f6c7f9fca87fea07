import { useVocabulary } from "../api/queries";

/** Whether something was said that counts as a reason. */
export function useReason(): (text: string) => boolean {
  const shortest = useVocabulary().data?.shortest_reason ?? 1;
  return (text) => text.trim().length >= shortest;
}
