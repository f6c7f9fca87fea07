import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useNavigate } from "react-router";
import { api, type Problem, told } from "../api/client";
import type { components } from "../api/schema";
import type { Order } from "../api/types";
import { useStale } from "../api/stale";
import { freshKey } from "../ticket/key";
import { ProblemAlert } from "../shell/ProblemAlert";

type Handed = NonNullable<components["schemas"]["CancelStep"]["handed"]>;
const HANDED: Record<Handed, string> = { shelf: "are back on the shelf", scrapped: "came back, are scrapped", kept: "stay with the customer" };

/** An order is amended on its ticket, or cancelled; both for a reason that stays with it. */
export function Change({ order }: { order: Order }) {
  const [reason, setReason] = useState("");
  const [handed, setHanded] = useState<Handed>("shelf");
  const [problem, setProblem] = useState<string | null>(null);
  const out = order.goods.reduce((sum, good) => sum + good.out, 0);
  const stale = useStale();
  const navigate = useNavigate();
  const attempt = (work: Promise<unknown>, then: () => void) => {
    setProblem(null);
    work.then(then).catch((error: Problem) => setProblem(error.message));
  };
  const amend = () =>
    attempt(told(api.POST("/api/tickets/{id}/entries", { params: { path: { id: order.ticket_id } }, body: { kind: "reopened", key: freshKey(), reason } })), () => {
      void navigate(`/tickets/${order.ticket_id}`);
    });
  const cancel = () =>
    attempt(told(api.POST("/api/orders/{id}/steps", { params: { path: { id: order.id } }, body: { kind: "cancel", key: freshKey(), reason, handed: out > 0 ? handed : null, revision: order.revision } })), () => {
      setReason("");
      stale("order");
    });
  return (
    <Box component="section" aria-label="Change the order" sx={{ mt: 2, borderTop: "1px solid", borderColor: "divider", pt: 1.5 }}>
      {problem && <ProblemAlert>{problem}</ProblemAlert>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
        <TextField size="small" label="why it is amended or cancelled" value={reason} onChange={(event) => setReason(event.target.value)} sx={{ width: 360 }} slotProps={{ htmlInput: { maxLength: 400 } }} />
        {order.may.includes("amend") && <Button variant="outlined" onClick={amend}>Amend it on its ticket</Button>}
        {out > 0 && order.may.includes("cancel") && (
          <TextField select size="small" label={out === 1 ? "the piece that is out" : `the ${out} pieces that are out`} value={handed} onChange={(event) => setHanded(event.target.value as Handed)} sx={{ width: 240 }}>
            {Object.entries(HANDED).map(([id, name]) => <MenuItem key={id} value={id}>{name}</MenuItem>)}
          </TextField>
        )}
        {order.may.includes("cancel") && <Button variant="outlined" onClick={cancel}>Cancel the order</Button>}
      </Box>
    </Box>
  );
}
