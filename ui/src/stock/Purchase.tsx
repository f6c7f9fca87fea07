import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { useStale } from "../api/stale";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Small } from "../shell/text";
import { date, day, price } from "../shell/format";
import { freshKey } from "../ticket/key";
import { useMay } from "../shell/useSession";

type Bought = components["schemas"]["Purchase"];

/** One purchase: sent off, or on paper, and received as it comes. */
export function Purchase({ purchase, linked }: { purchase: Bought; linked: boolean }) {
  const stale = useStale();
  const may = useMay();
  const path = { path: { id: purchase.id } };
  const again = () => stale("purchase");
  const sending = useMutation({ mutationFn: () => told(api.POST("/api/purchases/{id}/send", { params: path, body: {} })), onSuccess: again });
  const told_ = sending.error?.message ?? sending.data?.problem;
  const open = purchase.state !== "received";
  return (
    <Box component="article" aria-label={`Purchase ${purchase.id}`} sx={{ borderTop: "1px solid", borderColor: "divider", py: 1 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
        <strong>purchase {purchase.id}</strong>
        <span>{purchase.state === "written" ? "not sent yet" : purchase.state === "sent" ? `sent, expected ${date(purchase.expected_on!)}` : "all of it came"}{purchase.supplier_ref ? `, theirs ${purchase.supplier_ref}` : ""}</span>
        <span>{day(purchase.at)}, {purchase.who}</span>
        <a href={`/api/purchases/${purchase.id}/table.csv`} download>CSV</a>
        <a href={`/api/purchases/${purchase.id}`} download={`purchase-${purchase.id}.json`}>JSON</a>
        {linked && purchase.state === "written" && may("sendPurchase") && <Button size="small" variant="outlined" disabled={sending.isPending} onClick={() => sending.mutate()}>Send it</Button>}
      </Box>
      {told_ && <ProblemAlert>{told_}</ProblemAlert>}
      {purchase.note && <Small><strong>{purchase.note}</strong></Small>}
      {open && may("receivePurchase") ? <Receipt purchase={purchase} linked={linked} onDone={again} /> : <Small>{purchase.lines.map((line) => (open ? `${line.received} of ${line.quantity} × ${line.number} came` : `${line.received} × ${line.number}`)).join(", ")}</Small>}
    </Box>
  );
}

function Receipt({ purchase, linked, onDone }: { purchase: Bought; linked: boolean; onDone: () => void }) {
  const [typed, setTyped] = useState<Record<string, string>>({});
  const left = (line: Bought["lines"][number]) => Math.max(line.quantity - line.received, 0);
  const lines = purchase.lines.map((line) => ({ number: line.number, quantity: Number(typed[line.number] ?? left(line)) }));
  const more = purchase.lines.some((line, at) => lines[at]!.quantity > left(line));
  const [agreed, setAgreed] = useState(false);
  const receiving = useMutation({
    mutationFn: () => told(api.POST("/api/purchases/{id}/receipts", { params: { path: { id: purchase.id } }, body: { key: freshKey(), lines, more: more && agreed } })),
    onSuccess: () => {
      setTyped({});
      onDone();
    },
    onError: () => setAgreed(more),
  });
  const asking = useMutation({
    mutationFn: () => told(api.POST("/api/purchases/{id}/dispatch", { params: { path: { id: purchase.id } }, body: {} })),
    onSuccess: (note) => setTyped(Object.fromEntries(note.lines.map((line) => [line.number, String(line.quantity)]))),
  });
  const problem = receiving.error?.message ?? asking.error?.message ?? asking.data?.problem;
  const send = (event: FormEvent) => {
    event.preventDefault();
    receiving.mutate();
  };
  return (
    <Box component="form" aria-label={`What came of purchase ${purchase.id}`} onSubmit={send} sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mt: 0.5 }}>
      {purchase.lines.map((line) => (
        <TextField key={line.number} size="small" label={`${line.number}: ${left(line)} to come${line.price_cents === null ? "" : `, ${price(line.price_cents)}`}`} value={typed[line.number] ?? String(left(line))} onChange={(event) => setTyped({ ...typed, [line.number]: event.target.value })} sx={{ width: 230 }} slotProps={{ htmlInput: { maxLength: 6 } }} />
      ))}
      <Button type="submit" size="small" variant="outlined" disabled={receiving.isPending}>{more && agreed ? "More came: receive it" : "Receive it"}</Button>
      {linked && purchase.state === "sent" && <Button size="small" onClick={() => asking.mutate()}>Their dispatch note</Button>}
      {problem && <ProblemAlert>{problem}</ProblemAlert>}
    </Box>
  );
}
