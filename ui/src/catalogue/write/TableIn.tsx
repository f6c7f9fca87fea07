import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../../api/client";
import { ProblemAlert } from "../../shell/ProblemAlert";
import { Table } from "../../shell/Table";
import type { Draft, Edit, LiveDraft } from "./useDraft";

const LISTS = ["parts", "models", "kits", "contents", "fits"] as const;
type List = (typeof LISTS)[number];

/** A table with headings, as it is copied from a spreadsheet or opened from a CSV file: what its columns are is said once. */
export function TableIn({ live, draft }: { live: LiveDraft; draft: Draft }) {
  const [list, setList] = useState<List>("parts");
  const [pasted, setPasted] = useState("");
  const [columns, setColumns] = useState<Record<string, string | null>>({});
  const reading = useMutation({
    mutationFn: (said: Record<string, string | null>) => told(api.POST("/api/drafts/{id}/table", { params: { path: { id: draft.id } }, body: { list, text: pasted, columns: said } })),
  });
  const table = reading.data;
  const look = (said: Record<string, string | null> = {}) => {
    setColumns(said);
    reading.mutate(said);
  };
  const open = async (file: File | undefined) => file && setPasted(await file.text());
  const changed = table?.rows.filter((row) => row.changes.length > 0 || !row.known) ?? [];
  return (
    <Box sx={{ display: "grid", gap: 1 }}>
      <div>
        <label>into <select value={list} onChange={(event) => setList(event.target.value as List)} style={{ font: "inherit" }}>{LISTS.map((one) => <option key={one}>{one}</option>)}</select></label>{" "}
        <label>from a CSV file <input type="file" accept=".csv,.tsv,.txt" onChange={(event) => void open(event.target.files?.[0])} /></label>
      </div>
      <textarea aria-label="Table, with its headings" placeholder="or paste it here, headings first" value={pasted} rows={6} onChange={(event) => setPasted(event.target.value)} style={{ font: "inherit", fontSize: 14 }} />
      <div><Button variant="outlined" size="small" disabled={pasted.trim() === ""} onClick={() => look()}>Look at it</Button></div>
      {reading.error && <ProblemAlert>{reading.error.message}</ProblemAlert>}
      {table && (
        <>
          <Box sx={{ display: "flex", gap: 1.5, flexWrap: "wrap" }}>
            {table.columns.map((one) => (
              <label key={one.heading}>{one.heading}{" "}
                <select aria-label={`Column ${one.heading} is`} value={one.at ?? ""} onChange={(event) => look({ ...columns, [one.heading]: event.target.value || null })} style={{ font: "inherit" }}>
                  <option value="">left out</option>
                  {table.keys.map((key) => <option key={key}>{key}</option>)}
                </select>
              </label>
            ))}
          </Box>
          <p>{table.rows.filter((row) => !row.known).length} new, {table.rows.filter((row) => row.known && row.changes.length > 0).length} otherwise than on file, {table.rows.filter((row) => row.known && row.changes.length === 0).length} the same.</p>
          <Table name="Rows beside what is on file" headings={["row", "key", "on file", "in the table"]}
            rows={changed.slice(0, 80).flatMap((row) => row.changes.map((one) => [row.known ? row.name : `${row.name} (new)`, one.key, one.was ?? "–", one.is]))} />
          <div><Button variant="contained" size="small" disabled={table.edits.length === 0 || live.busy} onClick={() => void live.edit(table.edits as Edit[]).then((taken) => taken && look(columns))}>Take these into the draft</Button></div>
        </>
      )}
    </Box>
  );
}
