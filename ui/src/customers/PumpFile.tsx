import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import { DayField } from "../shell/DayField";
import { date } from "../shell/format";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Small } from "../shell/text";
import { type CustomerFile, type CustomerPump, useFileChange } from "./useCustomer";
import { useSameAgain } from "./useSameAgain";
import { freshKey } from "../ticket/key";

const FIELDS = [["stands", "stands at", 190], ["serial", "serial", 110], ["plate", "plate as read", 150], ["hours_per_week", "hours a week", 130], ["months", "months between", 120], ["due_by_hand", "due on (date)", 130]] as const;
type Field = (typeof FIELDS)[number][0];

const asTyped = (pump: CustomerPump): Record<Field, string> => ({
  stands: pump.stands, serial: pump.serial, plate: pump.plate,
  hours_per_week: pump.hours_per_week === null ? "" : String(pump.hours_per_week),
  months: pump.months === null ? "" : String(pump.months), due_by_hand: pump.due_by_hand ?? "",
});

const figure = (text: string) => (text.trim() === "" ? null : Number(text.replace(",", ".")));

/** One pump of theirs: where it stands, how much it runs, when it is due and why. */
export function PumpFile({ file, pump }: { file: CustomerFile; pump: CustomerPump }) {
  const [typed, setTyped] = useState(asTyped(pump));
  const path = { path: { id: pump.id } };
  const changing = useFileChange((gone: boolean) =>
    told(api.POST("/api/pumps/{id}", { params: path, body: { ...typed, hours_per_week: figure(typed.hours_per_week), months: figure(typed.months), due_by_hand: typed.due_by_hand || null, gone } })));
  const last = file.orders.find((job) => pump.orders.includes(job.id));
  const again = useSameAgain();
  const send = (event: FormEvent) => {
    event.preventDefault();
    changing.mutate(pump.gone);
  };
  const problem = changing.error ?? again.error;
  return (
    <Box component="article" aria-label={pump.designation} sx={{ bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, p: 1.25, mb: 1 }}>
      <Box sx={{ display: "flex", gap: 2, alignItems: "baseline", flexWrap: "wrap" }}>
        <strong style={{ fontSize: 18 }}>{pump.designation}</strong>
        {pump.gone && <span>sold or scrapped</span>}
        {pump.due_on && <span><strong>due {date(pump.due_on)}</strong></span>}
        {last && <Button size="small" variant="contained" onClick={() => again.mutate(last.id)}>Same as order {last.id}: {last.work.join(", ")}</Button>}
        <Button size="small" onClick={() => changing.mutate(!pump.gone)}>{pump.gone ? "They still have it" : "Sold or scrapped"}</Button>
      </Box>
      {pump.due.map((reason) => <Small key={reason.text}>{reason.on ? `${date(reason.on)}: ` : ""}{reason.text}</Small>)}
      {pump.to_ring && <Rung pump={pump} />}
      <Box component="form" onSubmit={send} aria-label={`What is known of ${pump.designation}`} sx={{ display: "flex", gap: 1, flexWrap: "wrap", mt: 1 }}>
        {FIELDS.map(([field, label, width]) => (
          <TextField key={field} size="small" label={label} value={typed[field]} onChange={(event) => setTyped({ ...typed, [field]: event.target.value })} sx={{ width }} slotProps={{ htmlInput: { maxLength: 80 } }} />
        ))}
        <Button type="submit" variant="outlined" size="small" disabled={changing.isPending}>Keep</Button>
      </Box>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
    </Box>
  );
}

/** They were rung: nobody rings them again before the day they named. */
function Rung({ pump }: { pump: CustomerPump }) {
  const [note, setNote] = useState("");
  const [day, setDay] = useState("");
  const ringing = useFileChange((body: { note: string; again_on: string | null }) => told(api.POST("/api/pumps/{id}/rung", { params: { path: { id: pump.id } }, body: { ...body, key: freshKey() } })));
  const send = (event: FormEvent) => {
    event.preventDefault();
    ringing.mutate({ note, again_on: day || null });
  };
  return (
    <Box component="form" onSubmit={send} aria-label={`Rung about ${pump.designation}`} sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", mt: 1 }}>
      <TextField size="small" label="what they said" value={note} onChange={(event) => setNote(event.target.value)} sx={{ width: 300 }} slotProps={{ htmlInput: { maxLength: 400 } }} />
      <DayField label="ring again on" value={day} onChange={setDay} />
      <Button type="submit" size="small" variant="outlined">Rung</Button>
      {pump.rung_on && <Small>last rung {date(pump.rung_on)}{pump.rung_said && `: “${pump.rung_said}”`}{pump.ring_after && `, again from ${date(pump.ring_after)}`}</Small>}
      {ringing.error && <ProblemAlert>{ringing.error.message}</ProblemAlert>}
    </Box>
  );
}

/** A pump that no order has told of yet. */
export function NewPump({ file }: { file: CustomerFile }) {
  const [designation, setDesignation] = useState("");
  const adding = useFileChange(() => told(api.POST("/api/customers/{id}/pumps", { params: { path: { id: file.id } }, body: { key: freshKey(), designation } })));
  const send = (event: FormEvent) => {
    event.preventDefault();
    adding.mutate(undefined, { onSuccess: () => setDesignation("") });
  };
  return (
    <Box component="form" onSubmit={send} aria-label="Another pump" sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}>
      <TextField size="small" label="another pump of theirs" value={designation} onChange={(event) => setDesignation(event.target.value)} slotProps={{ htmlInput: { maxLength: 40 } }} />
      <Button type="submit" variant="outlined" size="small" disabled={designation.trim() === ""}>Write down</Button>
      {adding.error && <ProblemAlert>{adding.error.message}</ProblemAlert>}
    </Box>
  );
}
