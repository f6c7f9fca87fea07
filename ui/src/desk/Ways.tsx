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
const LABELS: Record<Chosen["labels"], string> = { sheet: "on sheets", roll: "by a label printer, 62 × 29 mm" };
type Day = Chosen["open_days"][number];
const DAYS: Record<Day, string> = { mon: "Mon", tue: "Tue", wed: "Wed", thu: "Thu", fri: "Fri", sat: "Sat", sun: "Sun" };
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
      <label>labels <NativeSelect value={data.labels} onChange={(event) => choose({ labels: event.target.value as Chosen["labels"] })}>{Object.entries(LABELS).map(([id, name]) => <option key={id} value={id}>{name}</option>)}</NativeSelect></label>
      <fieldset style={{ border: 0, padding: 0, margin: 0, display: "flex", gap: 8, flexWrap: "wrap" }}>
        <legend style={{ float: "left", marginRight: 8 }}>open on</legend>
        {Object.entries(DAYS).map(([id, name]) => (
          <label key={id}><input type="checkbox" checked={data.open_days.includes(id as Day)}
            onChange={(event) => choose({ open_days: event.target.checked ? [...data.open_days, id as Day] : data.open_days.filter((one) => one !== id) })} />{name}</label>
        ))}
      </fieldset>
      {choosing.error && <ProblemAlert>{choosing.error.message}</ProblemAlert>}
    </Box>
  );
}
