import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, told } from "../../api/client";
import type { components } from "../../api/schema";
import { day } from "../../shell/format";
import { Page } from "../../shell/Page";
import { ProblemAlert } from "../../shell/ProblemAlert";
import { Table } from "../../shell/Table";
import { useSeriesNames } from "../useSeriesNames";
import { freshKey } from "../../ticket/key";

type NewDraft = Omit<components["schemas"]["NewDraft"], "key">;

/** Where a series is begun: from a blank page, from one on file, from one like it, from a pump that was seen. */
export function WritePage() {
  const { like } = useParams();
  const navigate = useNavigate();
  const { data: drafts, error } = useQuery({ queryKey: ["drafts"], queryFn: () => told(api.GET("/api/drafts")) });
  const { data: seen } = useQuery({ queryKey: ["sightings"], queryFn: () => told(api.GET("/api/sightings")), retry: false });
  const beginning = useMutation({
    mutationFn: (body: NewDraft) => told(api.POST("/api/drafts", { body: { ...body, key: freshKey() } })),
    onSuccess: (draft) => void navigate(`/catalogue/drafts/${draft.id}`),
  });
  const series = useSeriesNames();
  const problem = error ?? beginning.error;
  return (
    <Page title="Write a series" headed kind="text">
      <h1>Write a series</h1>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      {(drafts ?? []).length > 0 && (
        <Table name="Drafts" headings={["draft", "in the place of", "by", "last changed"]}
          rows={drafts!.map((one) => [<Link key="id" to={`/catalogue/drafts/${one.id}`}>{one.title || `draft ${one.id}`}</Link>, one.series_id ?? "new", one.who, day(one.changed_at)])} />
      )}
      <Beginning key={like} like={like} series={series} onBegin={(body) => beginning.mutate(body)} busy={beginning.isPending} />
      {(seen ?? []).length > 0 && (
        <>
          <h2>From a pump that is not on file</h2>
          <ul>
            {seen!.map((one) => (
              <li key={one.ticket_id}>
                <Link to={`/sightings/${one.ticket_id}`}>ticket {one.ticket_id}</Link>: {one.readings.map((reading) => reading.text).join(", ")}{" "}
                <Button size="small" disabled={beginning.isPending} onClick={() => beginning.mutate({ from: "sighting", sighting: one.ticket_id })}>begin with these</Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </Page>
  );
}

type From = "blank" | "series" | "like";

function Beginning({ like, series, onBegin, busy }: { like: string | undefined; series: components["schemas"]["SeriesSummary"][]; onBegin: (body: NewDraft) => void; busy: boolean }) {
  const [from, setFrom] = useState<From>(like ? "series" : "blank");
  const [chosen, setChosen] = useState(like ?? "");
  const [maker, setMaker] = useState("");
  const [name, setName] = useState("");
  const [numbers, setNumbers] = useState("");
  const send = (event: FormEvent) => {
    event.preventDefault();
    onBegin(from === "blank" ? { from, maker, name } : from === "series" ? { from, series: chosen } : { from, series: chosen, maker, name, numbers });
  };
  return (
    <Box component="form" aria-label="Begin a draft" onSubmit={send} sx={{ display: "flex", gap: 1.5, flexWrap: "wrap", alignItems: "center", my: 2 }}>
      <label>Begin{" "}
        <select value={from} onChange={(event) => setFrom(event.target.value as From)} style={{ font: "inherit", padding: 6 }}>
          <option value="blank">from a blank page</option>
          <option value="series">by changing a series on file</option>
          <option value="like">from one like it</option>
        </select>
      </label>
      {from !== "blank" && (
        <label>series{" "}
          <select value={chosen} onChange={(event) => setChosen(event.target.value)} style={{ font: "inherit", padding: 6 }}>
            <option value="">–</option>
            {series.map((one) => <option key={one.id} value={one.id}>{one.maker} {one.name}</option>)}
          </select>
        </label>
      )}
      {from !== "series" && (
        <>
          <TextField size="small" label="maker" value={maker} onChange={(event) => setMaker(event.target.value)} slotProps={{ htmlInput: { maxLength: 80 } }} />
          <TextField size="small" label="name of the series" value={name} onChange={(event) => setName(event.target.value)} slotProps={{ htmlInput: { maxLength: 80 } }} />
        </>
      )}
      {from === "like" && <TextField size="small" label="its numbers begin with" value={numbers} onChange={(event) => setNumbers(event.target.value)} slotProps={{ htmlInput: { maxLength: 20 } }} />}
      <Button type="submit" variant="contained" disabled={busy}>Begin</Button>
    </Box>
  );
}
