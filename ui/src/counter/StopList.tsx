import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type FormEvent, useState } from "react";
import { StopCard, type Stop } from "../shell/StopCard";
import { ProblemNote } from "../shell/ProblemNote";
import type { LiveTicket } from "../ticket/useTicket";

const WHERE = "stops";

/** Above pump and price: what stands, what was told of it, and what lifts it. */
export function StopList({ ticket, stops }: { ticket: LiveTicket; stops: Stop[] }) {
  return (
    <Box component="section" aria-label="Dangers that stand" data-keeps-focus>
      {stops.map((stop) => (
        <StopCard key={stop.id} stop={stop}>{stop.sure ? <Standing ticket={ticket} stop={stop} /> : <Asked ticket={ticket} stop={stop} />}</StopCard>
      ))}
      <ProblemNote ticket={ticket} where={WHERE} />
    </Box>
  );
}

function Standing({ ticket, stop }: { ticket: LiveTicket; stop: Stop }) {
  const [lifting, setLifting] = useState(false);
  const [words, setWords] = useState("");
  const send = (event: FormEvent) => {
    event.preventDefault();
    void ticket.add(WHERE, { kind: "hazard_lifted", hazard: stop.id, reason: words });
  };
  if (lifting) {
    return (
      <Box component="form" onSubmit={send} sx={{ display: "flex", gap: 1, alignItems: "center", flexWrap: "wrap" }}>
        <label>what was looked at, by whom <input autoFocus value={words} onChange={(event) => setWords(event.target.value)} maxLength={400} style={{ font: "inherit", padding: 6, width: 360 }} /></label>
        <Button type="submit" variant="outlined" size="small" disabled={ticket.busy}>Lift it</Button>
        <Button size="small" onClick={() => setLifting(false)}>not yet</Button>
      </Box>
    );
  }
  return (
    <Box sx={{ display: "flex", gap: 1 }}>
      {!stop.told && <Button variant="contained" size="small" disabled={ticket.busy} onClick={() => void ticket.add(WHERE, { kind: "stop_told", hazard: stop.id, words: stop.first.join(" ").slice(0, 1000) })}>Read out: they know</Button>}
      <Button size="small" onClick={() => setLifting(true)}>It is seen to</Button>
    </Box>
  );
}

function Asked({ ticket, stop }: { ticket: LiveTicket; stop: Stop }) {
  return (
    <Box sx={{ display: "flex", gap: 1 }}>
      <Button variant="contained" size="small" disabled={ticket.busy} onClick={() => void ticket.add(WHERE, { kind: "hazard_raised", hazard: stop.id })}>Yes: stop</Button>
      <Button variant="outlined" size="small" disabled={ticket.busy} onClick={() => void ticket.add(WHERE, { kind: "hazard_lifted", hazard: stop.id, reason: "asked: no" })}>No</Button>
    </Box>
  );
}
