import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, told } from "../api/client";
import type { Preview } from "../api/types";
import { useDebounced } from "../shell/useDebounced";

/** What would be heard of a line, asked for when the typing rests; nothing is kept of it. */
export function usePreview(words: string, asked: string | null, ticketId: number | null): Preview | undefined {
  const rested = useDebounced(words);
  const { data } = useQuery({
    queryKey: ["preview", rested, asked, ticketId],
    queryFn: () => told(api.POST("/api/preview", { body: { words: rested, asked, ticket_id: ticketId } })),
    enabled: rested.trim() !== "",
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 0,
  });
  return words.trim() === "" ? undefined : data;
}
