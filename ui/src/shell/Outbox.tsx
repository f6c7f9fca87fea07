import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useQueryClient } from "@tanstack/react-query";
import { useCallback } from "react";
import { forget, type Intent, useArrived, useOutbox } from "../api/outbox";
import { ink, rule, surface } from "./theme";

/** What a person would call it: the words or figures that were sent. */
const TOLD = ["words", "line", "code", "item", "reading", "kind", "number", "quantity", "name", "designation", "tag", "reason"] as const;
const saidOf = ({ body }: Intent) =>
  TOLD.map((field) => body[field]).filter((value): value is string | number => typeof value === "string" || typeof value === "number").slice(0, 3).join(" ").replaceAll("_", " ") || "what was done last";

const SIGN = { sent: "…", waiting: "…", arrived: "✓", refused: "✗" } as const;

function Told({ intent }: { intent: Intent }) {
  const said = saidOf(intent);
  if (intent.state === "arrived") return <>Arrived: “{said}”. It counts once.</>;
  if (intent.state === "refused") return <>Not taken: “{said}”. {intent.why} <Button size="small" onClick={() => forget(intent.key)}>Seen</Button></>;
  return <>Not yet arrived: “{said}”{intent.who && ` (${intent.who})`}. It is sent again by itself.</>;
}

/** What was done here and is not answered for yet, on every page. */
export function Outbox() {
  const cache = useQueryClient();
  useArrived(useCallback(() => void cache.invalidateQueries(), [cache]));
  const told = useOutbox().filter((intent) => intent.state !== "sent");
  if (told.length === 0) return null;
  return (
    <Box role="status" aria-label="Not answered yet" sx={{ position: "fixed", right: 16, bottom: 64, zIndex: "snackbar", maxWidth: 520, bgcolor: surface, color: ink, border: `2px solid ${rule}`, borderRadius: 1, px: 2, py: 1 }}>
      {told.map((intent) => (
        <p key={intent.key} style={{ margin: "4px 0" }}><span aria-hidden>{SIGN[intent.state]} </span><Told intent={intent} /></p>
      ))}
    </Box>
  );
}
