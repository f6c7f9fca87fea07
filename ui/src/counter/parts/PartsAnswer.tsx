import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import type { NewEntry, Plan } from "../../api/types";
import { StackDrawing } from "../../drawing/StackDrawing";
import { price } from "../../shell/format";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";
import { DemandTable } from "./DemandTable";
import { PlanLines } from "./PlanLines";

/** Which parts, how they are bought, what goes back in and what must come out. */
export function PartsAnswer({ ticket, plan }: { ticket: LiveTicket; plan: Plan }) {
  const chosen = plan.plans[0]!;
  return (
    <>
      <ProblemNote ticket={ticket} where="Parts" />
      <ToggleButtonGroup exclusive size="small" value={chosen.policy} aria-label="How to buy"
        onChange={(_, policy: NonNullable<NewEntry["policy"]> | null) => { if (policy) void ticket.add("Parts", { kind: "plan", policy }); }}>
        {plan.plans.map((one) => (
          <ToggleButton key={one.policy} value={one.policy}>
            {[one.name, ...one.also].join(" = ")} · {price(one.price_cents)}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <PlanLines plan={chosen} />
      <Box sx={{ display: "grid", gridTemplateColumns: "1fr 1fr", gap: 3, my: 1 }}>
        <List title="Keep these: they are in no kit" items={plan.keep.map((one) => `${one.name}, ${one.where}${one.fate === "keep" ? "" : `: ${one.to_do}`}`)} />
        <List title="Count these out of the bores" items={plan.count_out.map((one) => `${one.position}: ${one.pieces.join(", ")}`)} />
      </Box>
      <h3 style={{ margin: "8px 0 4px", fontSize: 16 }}>Why each part</h3>
      <DemandTable demand={plan.demand} />
      <h3 style={{ margin: "12px 0 4px", fontSize: 16 }}>Which way round</h3>
      {plan.stacks.map((stack) => <StackDrawing key={stack.name} stack={stack} />)}
    </>
  );
}

function List({ title, items }: { title: string; items: string[] }) {
  return (
    <Box>
      <h3 style={{ margin: 0, fontSize: 16 }}>{title}</h3>
      <ul style={{ margin: 0, paddingLeft: 20 }}>{items.map((item) => <li key={item}>{item}</li>)}</ul>
    </Box>
  );
}
