import Box from "@mui/material/Box";
import NativeSelect from "@mui/material/NativeSelect";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { useVocabulary } from "../api/queries";
import type { components } from "../api/schema";
import { ProblemAlert } from "../shell/ProblemAlert";
import { setWays } from "../shell/format";

type Chosen = components["schemas"]["Ways"];

const DATES: Record<Chosen["dates"], string> = { day_first: "2 March 2026", month_first: "March 2, 2026", iso: "2026-03-02" };
const PAPERS: Record<Chosen["paper"], string> = { A4: "A4", LETTER: "US Letter" };

/** How the shop writes money and dates, and what it prints on; the owner chooses. Sums are not converted. */
export function Ways() {
  const cache = useQueryClient();
  const vocabulary = useVocabulary();
  const { data } = useQuery({ queryKey: ["ways"], queryFn: () => told(api.GET("/api/ways")) });
  const choosing = useMutation({
    mutationFn: (body: Chosen) => told(api.POST("/api/ways", { body })),
    onSuccess: (fresh) => {
      setWays(fresh);
      cache.setQueryData(["ways"], fresh);
    },
  });
  if (!data) return null;
  const choose = (change: Partial<Chosen>) => choosing.mutate({ ...data, ...change });
  return (
    <Box component="section" aria-label="Money, dates, paper" sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center", mb: 1 }}>
      <label>money in <NativeSelect value={data.currency} onChange={(event) => choose({ currency: event.target.value as Chosen["currency"] })}>{(vocabulary.data?.currencies ?? [data.currency]).map((one) => <option key={one}>{one}</option>)}</NativeSelect></label>
      <label>dates as <NativeSelect value={data.dates} onChange={(event) => choose({ dates: event.target.value as Chosen["dates"] })}>{Object.entries(DATES).map(([id, name]) => <option key={id} value={id}>{name}</option>)}</NativeSelect></label>
      <label>paper <NativeSelect value={data.paper} onChange={(event) => choose({ paper: event.target.value as Chosen["paper"] })}>{Object.entries(PAPERS).map(([id, name]) => <option key={id} value={id}>{name}</option>)}</NativeSelect></label>
      {choosing.error && <ProblemAlert>{choosing.error.message}</ProblemAlert>}
    </Box>
  );
}
