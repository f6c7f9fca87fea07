import Box from "@mui/material/Box";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useVocabulary } from "../../api/queries";
import type { Plan, Policy } from "../../api/types";
import { FateSwatch } from "../../drawing/SectionDrawing";
import { price } from "../../shell/format";
import { ProblemNote } from "../../shell/ProblemNote";
import type { LiveTicket } from "../../ticket/useTicket";
import { DemandTable } from "./DemandTable";
import { PlanLines } from "./PlanLines";
import { SetLine } from "./SetLine";
import { StackSection } from "./StackSection";

/** Which parts, where each sits, what goes back in, what must come out, and how it is bought. */
export function PartsAnswer({ ticket, plan }: { ticket: LiveTicket; plan: Plan }) {
  const chosen = plan.plans[0]!;
  const vocabulary = useVocabulary().data;
  return (
    <>
      <ProblemNote ticket={ticket} where="Parts" />
      <ToggleButtonGroup exclusive size="small" value={chosen.policy} aria-label="How to buy" sx={{ flexWrap: "wrap", width: "100%" }}
        onChange={(_, policy: Policy | null) => { if (policy) void ticket.add("Parts", { kind: "plan", policy }); }}>
        {plan.plans.map((one) => (
          <ToggleButton key={one.policy} value={one.policy} sx={{ flex: 1, flexDirection: "column", alignItems: "start", textAlign: "left", color: "text.primary" }}>
            <span style={{ fontSize: 22 }}>{price(one.price_cents)}</span>
            <span>{[one.name, ...one.also].join(", ")}</span>
            {one.gross_cents !== one.price_cents && <span style={{ fontWeight: 400 }}>with tax {price(one.gross_cents)}</span>}
            <span style={{ fontWeight: 400 }}>{one.complete}{one.comes ? `: ${one.comes}` : ""}{left(one.surplus)}</span>
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <PlanLines plan={chosen} ticket={ticket} />
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", mt: 1, fontSize: 14 }}>
        {vocabulary?.fates.map((fate) => <span key={fate.name}><FateSwatch fate={fate.id} />{fate.name}</span>)}
      </Box>
      {plan.stacks.map((stack) => <StackSection key={stack.id} ticket={ticket} plan={plan} stack={stack} />)}
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 2, my: 1 }}>
        <List title="Goes back in" items={plan.keep.map((one) => `${one.name}, ${one.where}${one.fate === "keep" ? "" : `: ${one.to_do}`}`)} />
        <List title="Count these out of the bores" items={plan.count_out.map((one) => `${one.position}: ${one.pieces.join(", ")}`)} />
        <List title="Set aside until it is open; what is not used comes back" items={plan.held.map((one) => `${one.quantity} × ${one.part} ${one.name}: ${one.why}`)} />
        {chosen.passed_over.length > 0 && (
          <details>
            <summary>Kits that are not used ({chosen.passed_over.length})</summary>
            {chosen.passed_over.map((one) => (
              <Box key={one.number} sx={{ display: "flex", gap: 1, alignItems: "start" }}>
                <span style={{ flex: 1 }}><strong>{one.number}</strong> {one.name}: {one.reason}</span>
                <SetLine ticket={ticket} line={{ number: one.number, quantity: 0, reason: null }} />
              </Box>
            ))}
          </details>
        )}
      </Box>
      <details>
        <summary>Why each part, and what the customer has already</summary>
        <DemandTable demand={plan.demand} ticket={ticket} />
      </details>
    </>
  );
}

function left(surplus: Plan["plans"][number]["surplus"]): string {
  const pieces = surplus.reduce((sum, one) => sum + one.quantity, 0);
  return pieces > 0 ? `, ${pieces} ${pieces === 1 ? "piece" : "pieces"} left over` : "";
}

function List({ title, items }: { title: string; items: string[] }) {
  if (items.length === 0) return null;
  return (
    <Box>
      <h3>{title}</h3>
      <ul>{items.map((item) => <li key={item}>{item}</li>)}</ul>
    </Box>
  );
}
