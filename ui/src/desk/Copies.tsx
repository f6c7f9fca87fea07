import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation, useQuery } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { useStale } from "../api/stale";
import { ProblemAlert } from "../shell/ProblemAlert";

const GIGABYTE = 1024 ** 3;
const HOUR_S = 3600;
const age = (seconds: number | null) => (seconds === null ? "There is no copy yet." : `The last proven copy is ${seconds < HOUR_S ? `${Math.floor(seconds / 60)} min` : `${Math.floor(seconds / HOUR_S)} h`} old.`);

/** What ails is an answer too. */
async function health() {
  const { data, error } = await api.GET("/api/health");
  return data ?? error;
}

/** Whether the database can be worked with, and one more proven copy of it. */
export function Copies() {
  const stale = useStale();
  const { data, error } = useQuery({ queryKey: ["health"], queryFn: health, refetchInterval: 30_000 });
  const copy = useMutation({ mutationFn: () => told(api.POST("/api/backup", { body: {} })), onSuccess: () => stale("health") });
  return (
    <Box sx={{ display: "grid", gap: 1, justifyItems: "start", fontSize: 17 }}>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Box sx={{ fontWeight: 700 }}>{data.problem ?? "All is well: the database can be read and written."}</Box>
          <span>{age(data.backup_age_s)} {data.replica_behind_s !== null && `The replica is ${data.replica_behind_s} s behind.`} {data.room_bytes !== null && `${Math.floor(data.room_bytes / GIGABYTE)} GB are left on the disk.`}</span>
          {data.catalogue && <span>The catalogue has {data.catalogue.series} series with {data.catalogue.models} models and {data.catalogue.kits} kits; its version is {data.catalogue_version}.</span>}
        </>
      )}
      <Button variant="outlined" disabled={copy.isPending} onClick={() => copy.mutate()}>Make a copy now</Button>
      {copy.data && <span role="status">{copy.data.file} is written and proven. A copy is put back with bin/gimlet restore, when Gimlet is stopped.</span>}
      {copy.error && <ProblemAlert>{copy.error.message}</ProblemAlert>}
    </Box>
  );
}
