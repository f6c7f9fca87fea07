import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { day } from "../shell/format";
import { ProblemAlert } from "../shell/ProblemAlert";

/** What was published of a series, the last first; the last can be taken back. */
export function Revisions({ id }: { id: string }) {
  const cache = useQueryClient();
  const { data } = useQuery({ queryKey: ["revisions", id], queryFn: () => told(api.GET("/api/series/{id}/revisions", { params: { path: { id } } })) });
  const undoing = useMutation({ mutationFn: () => told(api.POST("/api/series/{id}/undo", { params: { path: { id } }, body: {} })), onSuccess: () => cache.invalidateQueries() });
  return (
    <>
      <h2>Published</h2>
      {undoing.error && <ProblemAlert>{undoing.error.message}</ProblemAlert>}
      <ol reversed style={{ listStyle: "none", padding: 0 }}>
        {(data ?? []).map((one, at) => (
          <li key={one.number}>
            <strong>revision {one.number}</strong>, {day(one.at)}, {one.who}{one.note && `: ${one.note}`}{one.digest === null && " (taken out)"}
            {at === 0 && data!.length > 1 && <Button size="small" disabled={undoing.isPending} onClick={() => undoing.mutate()}>take this one back</Button>}
          </li>
        ))}
      </ol>
    </>
  );
}
