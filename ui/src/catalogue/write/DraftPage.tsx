import Box from "@mui/material/Box";
import { useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { Page } from "../../shell/Page";
import { ProblemAlert } from "../../shell/ProblemAlert";
import { useStored } from "../../ticket/useStored";
import { EntryForm, NewRow, RowButtons } from "./EntryForm";
import { FaceEditor } from "./FaceEditor";
import { Grid } from "./Grid";
import { Publish } from "./Publish";
import { type Entry, isEntry, plain, type Shape, type Step, stepOf, whole } from "./shape";
import { SourceFields } from "./SourceFields";
import { TableIn } from "./TableIn";
import { Practice, Trial } from "./Trial";
import { type Draft, type LiveDraft, useDraft, useFormat } from "./useDraft";
import { Wrong } from "./Wrong";

/** Parts of the document in the order in which a sheet is written down. */
const LISTS = ["series", "models", "parts", "kits", "stacks", "fits", "groups", "areas", "fasteners", "faces", "outside", "close_order", "axes", "tools", "consumables", "change_together", "refit", "finish", "cautions", "serial_breaks", "trait_definitions", "sources"];
/** Those that are rows of single values. */
const GRIDS = ["models", "parts", "kits", "fits", "tools", "consumables"];
const BESIDE = { wrong: "what is wrong", trial: "trial card", practice: "practice call", table: "take a table in", publish: "publish" } as const;
type Beside = keyof typeof BESIDE;

/** A series as it is written: one list of it on the left, the trial card and what is wrong beside it. */
export function DraftPage() {
  const { id = "0" } = useParams();
  const [document, setDocument] = useStored("gimlet read in", "");
  const [rest, setRest] = useState<{ page: string; on: string }>({ page: "", on: "" });
  const source = { document, ...rest };
  const live = useDraft(Number(id), document.trim() === "" ? null : source);
  const format = useFormat();
  return (
    <Page title={live.draft?.title || "A series being written"} headed={live.draft !== undefined}>
      {live.missing && <ProblemAlert>{live.missing}</ProblemAlert>}
      {live.draft && format && (
        <>
          <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center", mb: 1 }}>
            <h1 style={{ margin: 0 }}>{live.draft.title || "A new series"}</h1>
            <span>{live.draft.series_id ? `in the place of ${live.draft.series_id}, ${live.draft.changed} ${live.draft.changed === 1 ? "place" : "places"} changed` : "new"}</span>
            <Box sx={{ ml: "auto" }}><SourceFields source={source} onChange={(one) => { setDocument(one.document); setRest({ page: one.page ?? "", on: one.on ?? "" }); }} /></Box>
          </Box>
          {live.problem && <ProblemAlert>{live.problem}</ProblemAlert>}
          <Writing live={live} draft={live.draft} root={format} />
        </>
      )}
    </Page>
  );
}

function Writing({ live, draft, root }: { live: LiveDraft; draft: Draft; root: Shape }) {
  const [query, setQuery] = useSearchParams();
  const [beside, setBeside] = useState<Beside>("wrong");
  const list = query.get("list") ?? "series";
  const row = query.get("row");
  const open = (to: string, entry?: Step) => setQuery(entry === undefined ? { list: to } : { list: to, row: String(entry) }, { replace: true });
  const goTo = (place: string) => {
    const [first = "series", ...name] = place.split(".");
    const to = LISTS.includes(first) ? first : first === "layers" ? "stacks" : "series";
    open(to, GRIDS.includes(to) || name.length === 0 ? undefined : name[0]);
  };
  const wrong = (one: string) => [...draft.faults, ...draft.remarks].filter((remark) => remark.list === one).length;
  return (
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: GRIDS.includes(list) && row === null ? "150px minmax(0, 1fr) 260px" : "150px minmax(0, 1.25fr) minmax(0, 1fr)" }, gap: 2 }}>
      <Box component="nav" aria-label="Parts of the document" sx={{ display: "grid", alignContent: "start" }}>
        {LISTS.map((one) => (
          <Link key={one} to={`?list=${one}`} replace aria-current={one === list ? "page" : undefined} style={{ fontWeight: one === list ? 700 : 400, padding: "2px 0" }}>
            {plain(one)} {count(draft, one)}{wrong(one) > 0 ? ` · ${wrong(one)} to look at` : ""}
          </Link>
        ))}
      </Box>
      <Box component="section" aria-label={plain(list)} sx={{ minWidth: 0 }}>
        <List live={live} draft={draft} root={root} list={list} row={row} onOpen={(entry) => open(list, entry)} />
      </Box>
      <Box component="aside" aria-label="Beside it" sx={{ minWidth: 0, borderLeft: "1px solid", borderColor: "divider", pl: 2 }}>
        <Box role="group" aria-label="Show beside it" sx={{ display: "flex", gap: 1, flexWrap: "wrap", mb: 1 }}>
          {Object.entries(BESIDE).map(([id, name]) => (
            <button key={id} type="button" aria-pressed={beside === id} onClick={() => setBeside(id as Beside)} style={{ font: "inherit", fontSize: 15, padding: "3px 8px", fontWeight: beside === id ? 700 : 400 }}>{name}</button>
          ))}
        </Box>
        {beside === "wrong" && <Wrong draft={draft} onOpen={goTo} />}
        {beside === "trial" && <Trial draft={draft} stack={list === "stacks" ? row : null} />}
        {beside === "practice" && <Practice draft={draft} />}
        {beside === "table" && <TableIn live={live} draft={draft} />}
        {beside === "publish" && <Publish draft={draft} />}
      </Box>
    </Box>
  );
}

function count(draft: Draft, list: string): string {
  const value = draft.document[list];
  return Array.isArray(value) ? `(${value.length})` : "";
}

function List({ live, draft, root, list, row, onOpen }: { live: LiveDraft; draft: Draft; root: Shape; list: string; row: string | null; onOpen: (row: Step | undefined) => void }) {
  const shape = whole(root.properties?.[list] ?? {}, root);
  const value = draft.document[list];
  if (list === "series") {
    return (
      <>
        {(["maker", "series", "traits"] as const).map((one) => {
          const entry = draft.document[one];
          const own = whole(root.properties![one]!, root);
          return one === "traits"
            ? <Traits key={one} live={live} traits={isEntry(entry as Entry) ? (entry as Entry) : {}} />
            : <section key={one} aria-label={one}><h3 style={{ margin: "6px 0 2px" }}>{one}</h3><EntryForm live={live} root={root} shape={own} value={isEntry(entry as Entry) ? (entry as Entry) : {}} at={[one]} /></section>;
        })}
      </>
    );
  }
  if (list === "refit" || list === "outside") return <EntryForm live={live} root={root} shape={shape} value={isEntry(value as Entry) ? (value as Entry) : {}} at={[list]} />;
  const rows = (Array.isArray(value) ? value : []) as Entry[];
  const items = whole(shape.items ?? {}, root);
  const at = row === null ? -1 : rows.findIndex((one, index) => String(list === "fits" ? index : stepOf(one, index)) === row);
  if (at >= 0) {
    const entry = rows[at]!;
    return (
      <>
        <button type="button" onClick={() => onOpen(undefined)} style={{ font: "inherit" }}>all {plain(list)}</button>
        <h2>{nameOf(entry, at)}</h2>
        {list === "fasteners" && <FaceEditor live={live} fastener={entry} faces={draft.document["faces"] as Entry[]} />}
        <EntryForm live={live} root={root} shape={items} value={entry} at={[list, at]} />
      </>
    );
  }
  if (GRIDS.includes(list)) return <Grid live={live} root={root} list={list} rows={rows} items={items} onOpen={onOpen} />;
  return (
    <>
      <ul style={{ listStyle: "none", padding: 0 }}>
        {rows.map((one, index) => (
          <li key={`${String(stepOf(one, index))} ${index}`}>
            <Link to={`?list=${list}&row=${encodeURIComponent(String(stepOf(one, index)))}`} replace style={{ fontWeight: 700 }}>{nameOf(one, index)}</Link> {String(one["name"] ?? one["text"] ?? "").slice(0, 90)}
            <RowButtons live={live} place={[list, index]} index={index} last={rows.length - 1} name={nameOf(one, index)} />
          </li>
        ))}
      </ul>
      <NewRow live={live} items={items} at={[list]} count={rows.length} what={plain(list).replace(/s$/, "")} />
    </>
  );
}

const nameOf = (row: Entry, at: number): string => {
  const step = stepOf(row, at);
  return typeof step === "number" ? `${step + 1}.` : step;
};

/** What is the same on all of them, one line each. */
const Traits = ({ live, traits }: { live: LiveDraft; traits: Entry }) => {
  const shape: Shape = { properties: Object.fromEntries(Object.keys(traits).map((key) => [key, { type: "string" }])) };
  return (
    <>
      <h2>The same on all of them</h2>
      <EntryForm live={live} root={shape} shape={shape} value={traits} at={["traits"]} />
      <NewTrait live={live} />
    </>
  );
};

function NewTrait({ live }: { live: LiveDraft }) {
  const [pair, setPair] = useState("");
  return (
    <form onSubmit={(event) => {
      event.preventDefault();
      const [key = "", ...rest] = pair.split(":");
      void live.edit([{ at: ["traits", key.trim()], kind: "text", text: rest.join(":").trim() }]).then((taken) => taken && setPair(""));
    }}>
      <label>another, as “cylinders: 3”<br /><input value={pair} onChange={(event) => setPair(event.target.value)} maxLength={120} style={{ font: "inherit", width: 300, padding: 4 }} /></label>
    </form>
  );
}
