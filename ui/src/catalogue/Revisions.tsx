import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { day } from "../shell/format";
import { ProblemAlert } from "../shell/ProblemAlert";
import { freshKey } from "../ticket/key";

/** What was published of a series, the last first. The last can be taken back, which goes to what stood before it; any can be brought back. */
export function Revisions({ id }: { id: string }) {
  const cache = useQueryClient();
  const { data } = useQuery({ queryKey: ["revisions", id], queryFn: () => told(api.GET("/api/series/{id}/revisions", { params: { path: { id } } })) });
  const path = { params: { path: { id } } };
  const onSuccess = () => cache.invalidateQueries();
  const takingBack = useMutation({ mutationFn: (number: number) => told(api.POST("/api/series/{id}/undo", { ...path, body: { key: freshKey(), number } })), onSuccess });
  const bringingBack = useMutation({ mutationFn: (number: number) => told(api.POST("/api/series/{id}/bring-back", { ...path, body: { key: freshKey(), number } })), onSuccess });
  const problem = takingBack.error ?? bringingBack.error;
  const busy = takingBack.isPending || bringingBack.isPending;
  const standing = data?.[0]?.restores ?? data?.[0]?.number;
  return (
    <>
      <h2>Published</h2>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      <ol reversed style={{ listStyle: "none", padding: 0 }}>
        {(data ?? []).map((one, at) => (
          <li key={one.number}>
            <strong>revision {one.number}</strong>, {day(one.at)}, {one.who}{one.note && `: ${one.note}`}{one.digest === null && " (taken out)"}
            {at === 0 && data!.length > 1 && <Button size="small" disabled={busy} onClick={() => takingBack.mutate(one.number)}>take this one back</Button>}
            {at > 0 && one.digest !== null && one.restores === null && one.number !== standing && <Button size="small" disabled={busy} onClick={() => bringingBack.mutate(one.number)}>bring revision {one.number} back</Button>}
          </li>
        ))}
      </ol>
    </>
  );
}
