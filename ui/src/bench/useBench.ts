import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Problem, told, worthAnotherTry } from "../api/client";
import type { Bench, NewBenchEntry } from "../api/types";
import { freshKey } from "../ticket/key";

const LOOK_AGAIN_MS = 4000;

type Note = Omit<NewBenchEntry, "key" | "who" | "pump">;

export interface LiveBench {
  bench: Bench | undefined;
  missing: string | null;
  /** Why the last thing noted was refused. */
  problem: string | null;
  busy: boolean;
  /** Answers the bench after it, or null where it was refused. */
  note: (note: Note) => Promise<Bench | null>;
}

/** An order at the bench as the server has it: what is ticked and read there is kept, whoever looks at it from where. */
export function useBench(id: number, pump: number): LiveBench {
  const cache = useQueryClient();
  const path = { params: { path: { id } } };
  const query = useQuery({
    queryKey: ["bench", id, pump],
    queryFn: () => told(api.GET("/api/orders/{id}/bench", { params: { ...path.params, query: { pump } } })),
    placeholderData: keepPreviousData,
    refetchInterval: LOOK_AGAIN_MS,
    retry: worthAnotherTry,
  });
  const noting = useMutation({
    mutationFn: (body: NewBenchEntry) => told(api.POST("/api/orders/{id}/bench", { ...path, body })),
    scope: { id: `bench ${id}` },
    retry: worthAnotherTry,
    onSuccess: (bench) => cache.setQueryData(["bench", id, bench.at_pump], bench),
  });
  return {
    bench: query.data,
    missing: query.data === undefined && query.error ? query.error.message : null,
    problem: noting.error ? (noting.error as Problem).message : null,
    busy: noting.isPending,
    note: (told) => noting.mutateAsync({ ...told, pump, key: freshKey() }).catch(() => null),
  };
}
