import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { useStale } from "../api/stale";
import { day, price } from "../shell/format";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Small } from "../shell/text";
import { freshKey } from "../ticket/key";
import { useMay } from "../shell/useSession";

type Kind = components["schemas"]["NewMovement"]["kind"];
type Stocking = components["schemas"]["Stocking"];
const KINDS: Record<Kind, string> = { received: "received", scrapped: "scrapped", kit_opened: "kit opened for a piece", kit_made_up: "kit made up of loose pieces" };

/** One number: where it lies, its level, what was moved and why, what it cost before. */
export function OneNumber({ number, onClose }: { number: string; onClose: () => void }) {
  const { data, error } = useQuery({ queryKey: ["stock", number], queryFn: () => told(api.GET("/api/stock/{number}", { params: { path: { number } } })) });
  return (
    <Box component="section" aria-label={number} sx={{ bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, p: 1.5, mb: 1.5 }}>
      <Box sx={{ display: "flex", justifyContent: "space-between" }}>
        <h2 style={{ margin: 0 }}>{number} {data?.name}</h2>
        <Button size="small" onClick={onClose}>close</Button>
      </Box>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && <Forms stock={data} />}
      {data && (
        <>
          {data.movements.slice(0, 12).map((one, index) => (
            <Small key={index}>{day(one.at)} · {one.who}: {one.words} {one.quantity}{one.order_id !== null && <> for <Link to={`/orders/${one.order_id}`}>order {one.order_id}</Link></>}{one.why && `, ${one.why}`}</Small>
          ))}
          {data.total > 12 && <Small>and {data.total - 12} before.</Small>}
          {data.prices.map((one, index) => <Small key={index}>{day(one.at)} · {one.who}: price {one.was_cents === null ? "" : `from ${price(one.was_cents)} `}to {price(one.now_cents)}</Small>)}
        </>
      )}
    </Box>
  );
}

function Forms({ stock }: { stock: Stocking }) {
  const may = useMay();
  const cache = useQueryClient();
  const stale = useStale();
  const [kind, setKind] = useState<Kind>("received");
  const [quantity, setQuantity] = useState("1");
  const [why, setWhy] = useState("");
  const [shelf, setShelf] = useState(stock.shelf);
  const [level, setLevel] = useState(stock.level === null ? "" : String(stock.level));
  const keep = (fresh: Stocking) => {
    cache.setQueryData(["stock", fresh.number], fresh);
    stale("stock");
  };
  const moving = useMutation({ mutationFn: () => told(api.POST("/api/movements", { body: { key: freshKey(), kind, number: stock.number, quantity: Number(quantity), why: why || null } })), onSuccess: keep });
  const changing = useMutation({
    mutationFn: () => told(api.POST("/api/stock/{number}", { params: { path: { number: stock.number } }, body: { shelf, level: level.trim() === "" ? null : Number(level) } })),
    onSuccess: keep,
  });
  const problem = moving.error ?? changing.error;
  return (
    <>
      <p><strong>{stock.free} free</strong>: {stock.on_hand} here, {stock.reserved} promised, {stock.bagged} in bags · {price(stock.price_cents)}</p>
      {may("moveStock") && <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap" }}>
        <Box component="form" aria-label="Move" onSubmit={(event: FormEvent) => { event.preventDefault(); moving.mutate(); }} sx={{ display: "flex", gap: 1 }}>
          <TextField select size="small" label="what happened" value={kind} onChange={(event) => setKind(event.target.value as Kind)} sx={{ width: 210 }}>
            {Object.entries(KINDS).map(([id, name]) => <MenuItem key={id} value={id}>{name}</MenuItem>)}
          </TextField>
          <TextField size="small" label="how many" value={quantity} onChange={(event) => setQuantity(event.target.value)} sx={{ width: 90 }} slotProps={{ htmlInput: { maxLength: 6 } }} />
          <TextField size="small" label="why" value={why} onChange={(event) => setWhy(event.target.value)} sx={{ width: 180 }} slotProps={{ htmlInput: { maxLength: 400 } }} />
          <Button type="submit" variant="outlined" size="small" disabled={moving.isPending}>Book it</Button>
        </Box>
        <Box component="form" aria-label="Shelf and level" onSubmit={(event: FormEvent) => { event.preventDefault(); changing.mutate(); }} sx={{ display: "flex", gap: 1 }}>
          <TextField size="small" label="shelf" value={shelf} onChange={(event) => setShelf(event.target.value)} sx={{ width: 90 }} slotProps={{ htmlInput: { maxLength: 20 } }} />
          <TextField size="small" label="level" value={level} onChange={(event) => setLevel(event.target.value)} sx={{ width: 80 }} slotProps={{ htmlInput: { maxLength: 6 } }} />
          <Button type="submit" variant="outlined" size="small">Keep</Button>
        </Box>
      </Box>}
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
    </>
  );
}
