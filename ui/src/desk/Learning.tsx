import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import Switch from "@mui/material/Switch";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";

const share = (value: number) => `${(value * 100).toFixed(1)} %`;

/** What this counter's own tickets taught, beside what practice says; the owner may switch it off. */
export function Learning() {
  const cache = useQueryClient();
  const { data, error } = useQuery({ queryKey: ["learning"], queryFn: () => told(api.GET("/api/learning")) });
  const switching = useMutation({
    mutationFn: (on: boolean) => told(api.POST("/api/learning", { body: { on } })),
    onSuccess: (fresh) => cache.setQueryData(["learning"], fresh),
  });
  const problem = error ?? switching.error;
  return (
    <section aria-label="Learning">
      <h2>Learned here</h2>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      {data && (
        <>
          <FormControlLabel control={<Switch checked={data.on} onChange={(event) => switching.mutate(event.target.checked)} />} label="learn from closed tickets" />
          {data.at && <p>On {data.at}, from {data.tickets} tickets and {data.answers} answers. {data.none !== null && `${share(data.none)} of what comes is in no catalogue.`}</p>}
          <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "1fr 1fr" }, gap: 2 }}>
            <Table name="Pumps" headings={["pump", "practice", "here"]} right={[1, 2]} rows={data.pumps.map((one) => [one.id, share(one.usual), share(one.here)])} />
            <Table name="Mistakes" headings={["callers are wrong about", "practice", "here"]} right={[1, 2]} rows={data.traits.map((one) => [one.name, share(one.usual), share(one.here)])} />
          </Box>
        </>
      )}
    </section>
  );
}
