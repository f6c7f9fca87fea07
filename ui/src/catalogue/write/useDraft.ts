import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../../api/client";
import type { components } from "../../api/schema";
import type { Shape, Step } from "./shape";

export type Draft = components["schemas"]["Draft"];
export type Edit = components["schemas"]["DraftEdit"];
export type Source = components["schemas"]["DraftSource"];

export const useFormat = () =>
  useQuery({ queryKey: ["catalogue format"], queryFn: () => told(api.GET("/api/catalogue-format")), staleTime: Infinity }).data as Shape | undefined;

export interface LiveDraft {
  draft: Draft | undefined;
  missing: string | null;
  problem: string | null;
  busy: boolean;
  /** The document that is being read from, if that is said. */
  readIn: string | null;
  /** All of the edits, or none. Answers whether they were taken. */
  edit: (edits: Edit[]) => Promise<boolean>;
}

/** A draft as the server has it; edits are sent one after the other, with where they were read. */
export function useDraft(id: number, source: Source | null): LiveDraft {
  const cache = useQueryClient();
  const query = useQuery({ queryKey: ["draft", id], queryFn: () => told(api.GET("/api/drafts/{id}", { params: { path: { id } } })) });
  const sending = useMutation({
    mutationFn: (edits: Edit[]) => {
      const version = cache.getQueryData<Draft>(["draft", id])!.version;
      return told(api.POST("/api/drafts/{id}/edits", { params: { path: { id } }, body: { version, edits: edits.map((one) => ({ ...one, source })) } }));
    },
    scope: { id: "draft" },
    onSuccess: (draft) => cache.setQueryData(["draft", id], draft),
    onError: () => cache.invalidateQueries({ queryKey: ["draft", id] }),
  });
  return {
    draft: query.data,
    missing: query.error?.message ?? null,
    problem: sending.error?.message ?? null,
    busy: sending.isPending,
    readIn: source?.document ?? null,
    edit: (edits) => sending.mutateAsync(edits).then(() => true, () => false),
  };
}

export const text = (at: Step[], typed: string): Edit => ({ at, kind: "text", text: typed });
export const add = (at: Step[], name: string): Edit => ({ at, kind: "add", text: name });
export const remove = (at: Step[]): Edit => ({ at, kind: "remove" });
export const move = (at: Step[], to: number): Edit => ({ at, kind: "move", to });
