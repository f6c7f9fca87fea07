import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { Plan, TicketView } from "../../api/types";
import { DayField } from "../../shell/DayField";
import { date } from "../../shell/format";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";

/** By when all of it is wanted, and whether it is there by then. */
export function WantedBy({ ticket, view, plan }: { ticket: LiveTicket; view: TicketView; plan: Plan }) {
  const { wanted, day_offered } = view.ticket;
  // Whoever said that they wait has it in the field already.
  const [typed, setTyped] = useState<string | null>(null);
  const day = typed ?? day_offered ?? "";
  const { late } = plan.plans[0]!;
  const say = async (by: string | null) => {
    if (await ticket.add("Wanted", { kind: "wanted", by })) setTyped(null);
  };
  if (wanted) {
    return (
      <Box sx={{ fontSize: 15 }}>
        wanted by {date(wanted)}{late && <strong>: {late}</strong>}{" "}
        {view.order_id === null && <Button size="small" onClick={() => void say(null)}>no day</Button>}
      </Box>
    );
  }
  if (view.order_id !== null) return null;
  return (
    <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); void say(day); }} sx={{ display: "flex", gap: 1, alignItems: "center", my: 0.75 }}>
      <DayField label="wanted by" value={day} onChange={setTyped} />
      <Button type="submit" size="small" disabled={day.trim() === ""}>set</Button>
      <ProblemNote ticket={ticket} where="Wanted" />
    </Box>
  );
}
