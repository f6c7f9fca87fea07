import Box from "@mui/material/Box";
import NativeSelect from "@mui/material/NativeSelect";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Link, useParams, useSearchParams } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { Apart } from "./Apart";
import { Exploded } from "./Exploded";
import { FromOutside } from "../drawing/FromOutside";
import { Head } from "./Head";
import { Health } from "./Health";
import { kitPath, onShelf } from "./NumberLink";
import { Revisions } from "./Revisions";
import { Sheet } from "./Sheet";
import { useSeriesNames } from "./useSeriesNames";

type Series = components["schemas"]["SeriesPage"];

/** One series: models, stacks, faces, tightening, tools, cautions, finish. */
export function SeriesPage() {
  const { id = "" } = useParams();
  const [query, setQuery] = useSearchParams();
  const model = query.get("model") ?? undefined;
  const { data, error } = useQuery({
    queryKey: ["series", id, model],
    queryFn: () => told(api.GET("/api/series/{id}", { params: { path: { id }, query: model ? { model } : {} } })),
    placeholderData: keepPreviousData,
  });
  return (
    <Page title={data ? `${data.maker} ${data.name}` : "Series"} headed={data !== undefined}>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && <Shown series={data} onModel={(one) => setQuery({ model: one }, { replace: true })} />}
    </Page>
  );
}

const PARTS = { models: "Models", outside: "From outside", exploded: "Taken apart", sheet: "Tightening", kits: "Kits", health: "Sources and doubts" };

function Shown({ series, onModel }: { series: Series; onModel: (model: string) => void }) {
  const others = useSeriesNames().filter((one) => one.id !== series.id);
  return (
    <>
      <Head words={series.shown.split(" ")[0]!} more={
        <>
          <NativeSelect value="" inputProps={{ "aria-label": "Beside another series" }} onChange={(event) => window.location.assign(`/catalogue/beside/${series.id}/${event.target.value}`)}>
            <option value="">beside …</option>
            {others.map((one) => <option key={one.id} value={one.id}>{one.maker} {one.name}</option>)}
          </NativeSelect>
          <Link to={`/catalogue/write/${series.id}`}>write</Link>
        </>
      }>{series.maker} {series.name} <span style={{ fontWeight: 400 }}>{series.construction}</span></Head>
      <Box component="nav" aria-label="On this page" className="no-print" sx={{ display: "flex", flexWrap: "wrap", gap: 2, mb: 1 }}>
        {Object.entries(PARTS).map(([id, name]) => <a key={id} href={`#${id}`}>{name}</a>)}
        <span style={{ marginLeft: "auto" }}>manual: {series.manual}</span>
      </Box>
      <Box component="section" id="models" aria-label="Models">
        <h2>Models, and what tells them apart</h2>
        <Apart apart={series.apart} />
        <p>{series.traits.map((one) => `${one.name}: ${one.value}`).join(" · ")}</p>
        {series.breaks.map((one) => <p key={one.from}><strong>from serial {one.from}:</strong> {one.note}</p>)}
        <label className="no-print">
          drawn below:{" "}
          <NativeSelect value={series.shown} inputProps={{ "aria-label": "Which pump is drawn" }} onChange={(event) => onModel(event.target.value)}>
            {series.variants.map((one) => <option key={one} value={one}>{one}</option>)}
          </NativeSelect>
        </label>
      </Box>
      <Box component="section" id="outside" aria-label="From outside">
        <h2>From outside: {series.shown}</h2>
        <FromOutside views={series.plan.outside} pump={series.shown} height={190} />
      </Box>
      <Box component="section" id="exploded" aria-label="Taken apart">
        <h2>Taken apart: {series.shown}</h2>
        <Exploded stacks={series.exploded} />
      </Box>
      <Box component="section" id="sheet" aria-label="Tightening">
        <Sheet plan={series.plan} />
      </Box>
      <Box component="section" id="kits" aria-label="Kits">
        <h2>Kits</h2>
        <p className="no-print">As tables (CSV): {["parts", "models", "kits", "contents", "fits"].map((list, at) => <span key={list}>{at > 0 && ", "}<a href={`/api/series/${series.id}/table.csv?list=${list}`}>{list}</a></span>)}; the whole series as a document: <a href={`/api/catalogue/${series.id}`}>JSON</a>.</p>
        <Table name="Kits" headings={["number", "what", "for one", "on the shelf"]}
          rows={series.kits.map((kit) => [<Link key="number" to={kitPath(kit.number)}>{kit.number}</Link>, kit.name, kit.per, onShelf(kit)])} />
      </Box>
      <Box component="section" id="health" aria-label="Sources and doubts">
        <Health health={series.health} />
        <Revisions id={series.id} />
      </Box>
    </>
  );
}
