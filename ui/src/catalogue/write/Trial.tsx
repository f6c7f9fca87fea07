import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import NativeSelect from "@mui/material/NativeSelect";
import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../../api/client";
import { percent } from "../../shell/format";
import { Muted } from "../../shell/text";
import { Exploded } from "../Exploded";
import { Sheet } from "../Sheet";
import type { Draft } from "./useDraft";

/** What the counter would have of it: the drawings, the sheet, and a call that can be tried. */
export function Trial({ draft, stack }: { draft: Draft; stack: string | null }) {
  const [model, setModel] = useState<string | null>(null);
  const { data, error } = useQuery({
    queryKey: ["draft page", draft.id, draft.version, model],
    queryFn: () => told(api.GET("/api/drafts/{id}/page", { params: { path: { id: draft.id }, query: model ? { model } : {} } })),
    placeholderData: keepPreviousData,
    enabled: draft.faults.length === 0,
    retry: false,
  });
  if (draft.faults.length > 0) return <p>The trial card comes when nothing is missing any more: see what is wrong.</p>;
  return (
    <>
      {error && <p role="alert">{error.message}</p>}
      {data && (
        <>
          <NativeSelect value={data.shown} inputProps={{ "aria-label": "Which pump is tried" }} onChange={(event) => setModel(event.target.value)}>
            {data.variants.map((one) => <option key={one} value={one}>{one}</option>)}
          </NativeSelect>
          <Exploded stacks={stack ? data.exploded.filter((one) => one.id === stack) : data.exploded} />
          {!stack && <Sheet plan={data.plan} />}
        </>
      )}
    </>
  );
}

/** A call, heard as if the draft were published; nothing of it is kept. */
export function Practice({ draft }: { draft: Draft }) {
  const [words, setWords] = useState("");
  const trying = useMutation({ mutationFn: () => told(api.POST("/api/drafts/{id}/practise", { params: { path: { id: draft.id } }, body: { text: words } })) });
  const found = trying.data;
  return (
    <Box component="form" onSubmit={(event: FormEvent) => { event.preventDefault(); trying.mutate(); }}>
      <label>What a caller says<br /><input value={words} maxLength={1000} onChange={(event) => setWords(event.target.value)} style={{ font: "inherit", width: "100%", padding: 5 }} /></label>
      <Button type="submit" variant="outlined" size="small" disabled={words.trim() === "" || trying.isPending || draft.faults.length > 0}>Try the call</Button>
      {trying.error && <p role="alert">{trying.error.message}</p>}
      {found && (
        <div role="status">
          <p>heard: {found.readings.map((one) => one.text).join(", ") || "nothing"}</p>
          <ol>{found.candidates.slice(0, 6).map((one) => <li key={one.id}>{one.id}: {percent(one.probability)}</li>)}</ol>
          <p>{found.enough_to_order ? "That is enough to order." : `It would ask: ${found.next_questions[0]?.say ?? "nothing more"}`}</p>
          <Muted>Nothing of this is kept.</Muted>
        </div>
      )}
    </Box>
  );
}
