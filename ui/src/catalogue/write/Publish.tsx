import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { api, told } from "../../api/client";
import type { components } from "../../api/schema";
import { Caution } from "../../shell/Caution";
import { ProblemAlert } from "../../shell/ProblemAlert";
import type { Draft } from "./useDraft";
import { freshKey } from "../../ticket/key";

type Effects = components["schemas"]["DraftEffects"];
const MANY = 6;

/** What publishing would do, the dangerous things first; then the button. */
export function Publish({ draft }: { draft: Draft }) {
  const navigate = useNavigate();
  const cache = useQueryClient();
  const [note, setNote] = useState("");
  const effects = useQuery({
    queryKey: ["draft effects", draft.id, draft.version],
    queryFn: () => told(api.GET("/api/drafts/{id}/effects", { params: { path: { id: draft.id } } })),
    enabled: draft.sound,
    retry: false,
  });
  const publishing = useMutation({
    mutationFn: () => told(api.POST("/api/drafts/{id}/publish", { params: { path: { id: draft.id } }, body: { key: freshKey(), version: draft.version, note } })),
    onSuccess: ({ series }) => {
      void cache.invalidateQueries();
      void navigate(`/catalogue/series/${series}`);
    },
  });
  const givingUp = useMutation({ mutationFn: () => told(api.POST("/api/drafts/{id}/give-up", { params: { path: { id: draft.id } }, body: {} })), onSuccess: () => void navigate("/catalogue/write") });
  const problem = effects.error ?? publishing.error ?? givingUp.error;
  return (
    <>
      {!draft.sound && <p>It cannot be published yet: see what is wrong.</p>}
      {draft.sound && effects.isPending && <p>Orders are worked out before and after …</p>}
      {effects.data && <WhatChanges effects={effects.data} />}
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      <Box sx={{ display: "flex", gap: 1, mt: 1, flexWrap: "wrap" }}>
        <TextField size="small" label="why (kept with the revision)" value={note} onChange={(event) => setNote(event.target.value)} slotProps={{ htmlInput: { maxLength: 400 } }} sx={{ width: 280 }} />
        <Button variant="contained" disabled={!draft.sound || !effects.data || publishing.isPending} onClick={() => publishing.mutate()}>Publish</Button>
        <Button onClick={() => givingUp.mutate()}>Give the draft up</Button>
      </Box>
    </>
  );
}

function WhatChanges({ effects: { effects, touched } }: { effects: Effects }) {
  if (effects.length === 0) return <p>No order would say anything else.</p>;
  return (
    <>
      <p><strong>{effects.length} {effects.length === 1 ? "thing" : "things"}</strong> would be otherwise, for {new Set(effects.flatMap((one) => one.pumps)).size} pumps.</p>
      <Box component="ul" aria-label="What would be otherwise" sx={{ listStyle: "none", p: 0 }}>
        {effects.map((one, index) => (
          <li key={index} style={{ marginBottom: 8 }}>
            {one.danger && <Caution>{one.danger}</Caution>}
            <strong>{one.kind}</strong> {one.what}
            <div>was: {one.was ?? "nothing"}</div>
            <div>would be: {one.is ?? "nothing"}</div>
            <div style={{ fontSize: 14 }}>{few(one.pumps)}{one.areas.length > 0 ? ` · ${one.areas.join(", ").replaceAll("_", " ")}` : ""}</div>
          </li>
        ))}
      </Box>
      <h2>Whom it meets</h2>
      {touched.length === 0 && <p>No open ticket, quote, order or due pump.</p>}
      <ul>{touched.map((one) => <li key={`${one.kind} ${one.id}`}><Link to={pathOf(one)}>{one.kind} {one.kind === "pump" ? "" : one.id}</Link> {one.words}</li>)}</ul>
    </>
  );
}

const few = (pumps: string[]) => (pumps.length > MANY ? `${pumps.slice(0, MANY).join(", ")} and ${pumps.length - MANY} more` : pumps.join(", "));

function pathOf({ kind, id }: Effects["touched"][number]): string {
  if (kind === "ticket") return `/tickets/${id}`;
  return kind === "order" ? `/orders/${id}` : `/desk/customers/${id}`;
}
