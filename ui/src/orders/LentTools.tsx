import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { useQuery } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { DayField } from "../shell/DayField";
import { date, price } from "../shell/format";
import type { OrderSteps } from "./useOrderSteps";

type Condition = components["schemas"]["ToolBackStep"]["condition"];
const CONDITIONS: Condition[] = ["good", "worn", "damaged"];


/** Tools that go along and come back, each by its own tag. */
export function LentTools({ steps }: { steps: OrderSteps }) {
  const { order } = steps;
  const out = order.tools.filter((tool) => tool.state === "out");
  return (
    <Box component="section" aria-label="Lent tools">
      {out.map((tool) => <Back key={tool.tag} steps={steps} tag={tool.tag} told={`${tool.tag} ${tool.name}, until ${date(tool.until!)}, deposit ${price(tool.deposit_cents)}${tool.overdue ? " · OVERDUE" : ""}`} />)}
      {order.may.includes("lend") && <Lend steps={steps} />}
    </Box>
  );
}

function Back({ steps, tag, told: text }: { steps: OrderSteps; tag: string; told: string }) {
  const [condition, setCondition] = useState<Condition>("good");
  return (
    <Box component="form" aria-label={`${tag} comes back`} onSubmit={(event: FormEvent) => { event.preventDefault(); void steps.step({ kind: "tool_back", tool: tag, condition }); }} sx={{ display: "flex", gap: 1, alignItems: "center", my: 0.5 }}>
      <span><strong>Out:</strong> {text}</span>
      <TextField select size="small" label="comes back" value={condition} onChange={(event) => setCondition(event.target.value as Condition)} sx={{ width: 120 }}>
        {CONDITIONS.map((one) => <MenuItem key={one} value={one}>{one}</MenuItem>)}
      </TextField>
      <Button type="submit" variant="outlined" size="small">Take it back</Button>
    </Box>
  );
}

function Lend({ steps }: { steps: OrderSteps }) {
  const { order } = steps;
  const tools = useQuery({ queryKey: ["tools", order.revision], queryFn: () => told(api.GET("/api/tools")) }).data ?? [];
  const needed = order.record.tools.map((tool) => tool.number).filter(Boolean);
  const kept = order.tools.find((tool) => tool.state === "promised");
  const free = tools.find((tool) => tool.free && needed.includes(tool.number));
  const [typed, setTyped] = useState<string | null>(null);
  const [until, setUntil] = useState("in a week");
  const [deposit, setDeposit] = useState<string | null>(null);
  const offered = kept ?? free;
  const tag = typed ?? offered?.tag ?? "";
  const cents = tools.find((tool) => tool.tag === tag)?.deposit_cents ?? 0;
  const send = (event: FormEvent) => {
    event.preventDefault();
    void steps.step({ kind: "lend", tool: tag, until, deposit: deposit ?? String(cents / 100) }).then((taken) => taken && setTyped(null));
  };
  return (
    <Box component="form" onSubmit={send} aria-label="Lend a tool" sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", my: 1 }}>
      <TextField size="small" label="lend: scan the tool" value={tag} onChange={(event) => setTyped(event.target.value)} sx={{ width: 190 }} slotProps={{ htmlInput: { maxLength: 60 } }} />
      <DayField label="until" value={until} onChange={setUntil} />
      <TextField size="small" label="deposit" value={deposit ?? String(cents / 100)} onChange={(event) => setDeposit(event.target.value)} sx={{ width: 100 }} slotProps={{ htmlInput: { maxLength: 12 } }} />
      <Button type="submit" variant="outlined" size="small" disabled={tag.trim() === ""}>Lend it</Button>
      {offered && <span>{kept ? "kept for this order" : "free"}: {offered.name}, shelf {offered.shelf || "?"}</span>}
      {!offered && needed.length > 0 && <span>None of {needed.join(", ")} is free: see the makeshift under Tools.</span>}
    </Box>
  );
}
