import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDebounced } from "../shell/useDebounced";

/** An answer of the bench to what was typed; the last one stays in sight while the next is worked out. */
export function useMeasured<Request, Answer>(name: string, request: Request, empty: boolean, ask: (request: Request) => Promise<Answer>) {
  const rested = useDebounced(request);
  const { data, error } = useQuery({ queryKey: ["measured", name, rested], queryFn: () => ask(rested), enabled: !empty, placeholderData: keepPreviousData });
  return { data: empty || error ? undefined : data, error: empty ? null : error };
}
