import type { ReactNode } from "react";
import { percent, price } from "../shell/format";
import type { LiveTicket } from "../ticket/useTicket";
import { Answer } from "./Answer";
import { HandOver } from "./HandOver";
import { PartsAnswer } from "./PartsAnswer";
import { PumpAnswer } from "./PumpAnswer";
import { TighteningAnswer } from "./TighteningAnswer";
import { ToolsAnswer } from "./ToolsAnswer";
import type { CounterView } from "./useCounter";
import { WorkAnswer } from "./WorkAnswer";

export const answerNames = ["Pump", "Work", "Parts", "Tools", "Tightening", "Hand over"] as const;
export type AnswerName = (typeof answerNames)[number];

interface Props {
  ticket: LiveTicket;
  view: CounterView;
  open: AnswerName;
  onOpen: (name: AnswerName) => void;
  onReply: (index: number | null) => void;
  onSave: () => void;
}

/** Settled answers fold to one line; the open one has the room. */
export function AnswerStack({ ticket, view, open, onOpen, onReply, onSave }: Props) {
  const { plan } = view;
  const later = "first the pump and the work";
  const bodies: Record<AnswerName, () => ReactNode> = {
    "Pump": () => <PumpAnswer ticket={ticket} view={view} onReply={onReply} />,
    "Work": () => <WorkAnswer ticket={ticket} plan={plan} onAgree={() => onOpen("Parts")} />,
    "Parts": () => plan && <PartsAnswer ticket={ticket} plan={plan} />,
    "Tools": () => plan && <ToolsAnswer plan={plan} />,
    "Tightening": () => plan && <TighteningAnswer ticket={ticket} plan={plan} />,
    "Hand over": () => <HandOver ticket={ticket} view={view} onSave={onSave} />,
  };
  const summaries: Record<AnswerName, string> = {
    "Pump": pumpSummary(view),
    "Work": workSummary(ticket),
    "Parts": plan ? `${plan.plans[0]!.lines.length} lines, ${price(plan.plans[0]!.price_cents)}, ${plan.plans[0]!.name}` : later,
    "Tools": plan ? `${plan.tools.length} tools, ${plan.tools.filter((tool) => tool.kind === "made").length} made for this pump` : later,
    "Tightening": plan ? plan.tightening.map((one) => `${one.name} ${one.asked?.text ?? one.text}`).join(" · ") : later,
    "Hand over": ticket.orderId ? `order ${ticket.orderId}` : "not saved yet",
  };
  const known = Boolean(plan && view.found?.enough_to_order && ticket.state.scope_agreed);
  const settled: Record<AnswerName, boolean> = {
    "Pump": Boolean(view.found?.enough_to_order),
    "Work": ticket.state.scope_agreed,
    "Parts": known && plan!.plans[0]!.unfilled.length === 0,
    "Tools": known,
    "Tightening": known && plan!.tightening.every((one) => one.kind !== "none"),
    "Hand over": ticket.orderId !== null,
  };

  return answerNames.map((name, index) => (
    <Answer key={name} number={index + 1} name={name} summary={summaries[name]} settled={settled[name]} open={open === name} onOpen={() => onOpen(name)}>
      {open === name && bodies[name]()}
    </Answer>
  ));
}

function pumpSummary({ found, pump, sure }: CounterView): string {
  if (!found || !pump || found.readings.length === 0) return "nothing seen yet";
  const others = found.order_classes.find((one) => one.id === pump.order_class)!.models.length - 1;
  return `${pump.maker} ${pump.id}${others > 0 ? ` or ${others} more with the same order` : ""}, ${percent(sure)} sure`;
}

function workSummary({ state }: LiveTicket): string {
  if (state.scope.length === 0) return "nothing agreed yet";
  const pumps = state.pumps > 1 ? ` on ${state.pumps} pumps` : "";
  return `${state.scope.join(", ").replaceAll("_", " ")}${pumps}${state.scope_agreed ? "" : " (asked for)"}`;
}
