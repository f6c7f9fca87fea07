import Box from "@mui/material/Box";
import TextField from "@mui/material/TextField";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { type KeyboardEvent, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { Muted } from "../shell/text";
import { useDebounced } from "../shell/useDebounced";
import { kitPath, onShelf, partPath } from "./NumberLink";
import { Unsourced } from "./Unsourced";
import { useSeriesNames } from "./useSeriesNames";

type Entry = components["schemas"]["FoundEntry"];

/** Where the page of what was found is. */
export function pathOf({ kind, key, series }: Entry): string {
  switch (kind) {
    case "part": return partPath(key);
    case "kit": return kitPath(key);
    case "model": return `/catalogue/series/${series}?model=${encodeURIComponent(key)}`;
    default: return `/catalogue/series/${series}`;
  }
}

/** One search over everything in the catalogue. */
export function CataloguePage() {
  const [query, setQuery] = useSearchParams();
  const [words, setWords] = useState(query.get("q") ?? "");
  const asked = useDebounced(words.trim());
  const { data, error } = useQuery({
    queryKey: ["look up", asked],
    queryFn: () => told(api.GET("/api/look-up", { params: { query: { q: asked } } })),
    enabled: asked !== "",
    placeholderData: keepPreviousData,
  });
  const type = (text: string) => {
    setWords(text);
    setQuery(text.trim() === "" ? {} : { q: text }, { replace: true });
  };
  const found = asked === "" ? [] : (data?.found ?? []);
  const onKeyDown = useArrows(found);
  return (
    <Page title="Catalogue" headed>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "baseline" }}>
        <h1>Catalogue</h1>
        <Link to="/catalogue/write">write a series</Link>
      </Box>
      <Box component="search" onKeyDown={onKeyDown}>
        <TextField fullWidth autoFocus label="number, name, size, designation: PW-4220, 20x28x6, yellow spring" value={words} onChange={(event) => type(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 200, "aria-controls": "found" } }} />
        {error && <ProblemAlert>{error.message}</ProblemAlert>}
        <div role="status">{asked !== "" && data && <Muted>{data.total === 0 ? "Nothing in the catalogue has all of these words." : `${data.total} found${data.total > found.length ? `, the first ${found.length} are here` : ""}. Arrows, then Enter.`}</Muted>}</div>
        <Box component="ul" id="found" aria-label="Found" sx={{ listStyle: "none", p: 0, m: 0 }}>
          {found.map((entry) => (
            <Box component="li" key={`${entry.kind} ${entry.key}`} sx={{ borderBottom: "1px solid", borderColor: "divider", display: "grid", gridTemplateColumns: "90px 150px minmax(0, 1fr) auto", gap: 2, py: 0.5, alignItems: "baseline" }}>
              <span>{entry.kind}</span>
              <Link to={pathOf(entry)} style={{ fontWeight: 700 }}>{entry.kind === "series" ? entry.name : entry.key}</Link>
              <span>{entry.kind === "series" || entry.kind === "model" ? entry.told : `${entry.name}${entry.told ? ` (${entry.told})` : ""}`}</span>
              <span>{entry.kind === "series" || entry.kind === "model" ? "" : onShelf(entry)}</span>
            </Box>
          ))}
        </Box>
      </Box>
      {asked === "" && <AllSeries />}
    </Page>
  );
}

/** Down and up go through what was found; Enter in the field opens the first. */
function useArrows(found: Entry[]) {
  const navigate = useNavigate();
  return (event: KeyboardEvent) => {
    const links = [...event.currentTarget.querySelectorAll("a")];
    const at = links.indexOf(document.activeElement as HTMLAnchorElement);
    if (event.key === "Enter" && at < 0 && found[0]) void navigate(pathOf(found[0]));
    if (event.key !== "ArrowDown" && event.key !== "ArrowUp") return;
    event.preventDefault();
    links[Math.max(0, Math.min(links.length - 1, at + (event.key === "ArrowDown" ? 1 : -1)))]?.focus();
  };
}

function AllSeries() {
  const series = useSeriesNames();
  return (
    <Box sx={{ mt: 2 }}>
      <Table name="Series" headings={["series", "construction", "models", "manual"]}
        rows={series.map((one) => [<Link key="id" to={`/catalogue/series/${one.id}`}>{one.maker} {one.name}</Link>, one.construction.replaceAll("-", " "), one.models.join(", "), one.manual])} />
      <Unsourced />
    </Box>
  );
}
