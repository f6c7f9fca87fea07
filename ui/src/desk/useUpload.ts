import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../api/client";
import type { Upload } from "../api/types";

type Place = "/api/price-list" | "/api/catalogue";

const LOOK_AGAIN_MS = 300;
const AT_WORK: Upload["state"][] = ["waiting", "reading", "taking"];
const atWork = (upload: Upload | undefined) => upload !== undefined && AT_WORK.includes(upload.state);

/** As it lies on the disk: the server reads what other programs write. */
const asIs = (file: File) => ({ body: file as unknown as string, bodySerializer: () => file, headers: { "Content-Type": "application/octet-stream" } });

export interface LiveUpload {
  /** The name of the file that was chosen. */
  name: string;
  upload: Upload | undefined;
  busy: boolean;
  problem: string | null;
  send: (file: File) => void;
  take: (mark: string, skip: boolean) => void;
  giveUp: () => void;
}

/** A file that the server reads while others work: sent, looked at again and again until it is read, then taken or given up. */
export function useUpload(place: Place): LiveUpload {
  const cache = useQueryClient();
  const [id, setId] = useState<string | null>(null);
  const [name, setName] = useState("");
  const keep = (upload: Upload) => {
    cache.setQueryData(["upload", upload.id], upload);
    setId(upload.id);
  };

  const query = useQuery({
    queryKey: ["upload", id],
    queryFn: async () => {
      const upload = await told(api.GET("/api/uploads/{id}", { params: { path: { id: id! } } }));
      if (upload.state === "taken") void cache.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== "upload" });
      return upload;
    },
    enabled: id !== null,
    refetchInterval: ({ state }) => (atWork(state.data) ? LOOK_AGAIN_MS : false),
  });
  const path = () => ({ params: { path: { id: id! } } });
  const send = useMutation({ mutationFn: (file: File) => told(api.POST(place, asIs(file))), onSuccess: keep });
  const take = useMutation({ mutationFn: (body: { mark: string; skip: boolean }) => told(api.POST("/api/uploads/{id}/take", { ...path(), body })), onSuccess: keep });
  const giveUp = useMutation({ mutationFn: () => told(api.POST("/api/uploads/{id}/give-up", { ...path(), body: {} })), onSettled: () => setId(null) });

  return {
    name,
    upload: id === null ? undefined : query.data,
    busy: send.isPending || take.isPending || atWork(query.data),
    problem: (send.error ?? take.error ?? query.error)?.message ?? query.data?.problem?.detail ?? null,
    send: (file) => {
      setName(file.name);
      setId(null);
      take.reset();
      send.mutate(file);
    },
    take: (mark, skip) => take.mutate({ mark, skip }),
    giveUp: () => giveUp.mutate(),
  };
}
