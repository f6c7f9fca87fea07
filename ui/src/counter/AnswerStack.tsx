import { lazy, type ReactNode, Suspense } from "react";
import { useVocabulary } from "../api/queries";
import type { TicketView } from "../api/types";
import { date, percent, price } from "../shell/format";
import type { LiveTicket } from "../ticket/useTicket";
import { Answer } from "./Answer";
import { PumpAnswer } from "./pump/PumpAnswer";

// What comes after the pump is fetched while it is being found.
const WorkAnswer = lazy(() => import("./work/WorkAnswer").then((file) => ({ default: file.WorkAnswer })));
const PartsAnswer = lazy(() => import("./parts/PartsAnswer").then((file) => ({ default: file.PartsAnswer })));
const ToolsAnswer = lazy(() => import("./tools/ToolsAnswer").then((file) => ({ default: file.ToolsAnswer })));
const TighteningAnswer = lazy(() => import("./tightening/TighteningAnswer").then((file) => ({ default: file.TighteningAnswer })));
const HandOver = lazy(() => import("./handover/HandOver").then((file) => ({ default: file.HandOver })));

export const answerNames = ["Pump", "Work", "Parts", "Tools", "Tightening", "Hand over"] as const;
export type AnswerName = (typeof answerNames)[number];

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  open: AnswerName;
  onOpen: (name: AnswerName) => void;
  onReply: (index: number | null) => void;
  /** A measuring device sends what it reads. */
  onSend: (text: string) => void;
  onSave: (reason: string | null) => void;
}

/** Settled answers fold to one line; the open one has the room. */
export function AnswerStack({ ticket, view, open, onOpen, onReply, onSend, onSave }: Props) {
  const { plan } = view;
  const later = "first the pump and the work";
  const areas = useVocabulary().data?.work_areas ?? [];
  const bodies: Record<AnswerName, () => ReactNode> = {
    "Pump": () => <PumpAnswer ticket={ticket} view={view} onReply={onReply} onSend={onSend} />,
    "Work": () => <WorkAnswer ticket={ticket} view={view} onAgree={() => onOpen("Parts")} />,
    "Parts": () => plan && <PartsAnswer ticket={ticket} plan={plan} />,
    "Tools": () => plan && <ToolsAnswer ticket={ticket} tools={plan.tools} consumables={plan.consumables} />,
    "Tightening": () => plan && <TighteningAnswer ticket={ticket} plan={plan} />,
    "Hand over": () => <HandOver ticket={ticket} view={view} onSave={onSave} />,
  };
  const summaries: Record<AnswerName, string> = {
    "Pump": pumpSummary(view),
    "Work": workSummary(view, areas),
    "Parts": plan ? `${plan.plans[0]!.lines.length} ${plan.plans[0]!.lines.length === 1 ? "line" : "lines"}, ${price(plan.plans[0]!.price_cents)}, ${plan.plans[0]!.name}${plan.plans[0]!.not_covered ? ` · ${plan.plans[0]!.not_covered}` : ""}` : later,
    "Tools": plan ? `${plan.tools.length} tools, ${plan.tools.filter((tool) => tool.kind === "made").length} made for this pump${plan.tools.some((tool) => tool.has) ? `, the customer has ${plan.tools.filter((tool) => tool.has).length}` : ""}` : later,
    "Tightening": plan ? plan.tightening.map((one) => `${one.name} ${one.asked?.text ?? one.text}`).join(" · ") : later,
    "Hand over": view.order_id ? `order ${view.order_id}` : "not saved yet",
  };
  const { settled } = view;
  const isSettled: Record<AnswerName, boolean> = { "Pump": settled.pump, "Work": settled.work, "Parts": settled.parts, "Tools": settled.tools, "Tightening": settled.tightening, "Hand over": settled.hand_over };

  return answerNames.map((name, index) => (
    <Answer key={name} number={index + 1} name={name} summary={summaries[name]} settled={isSettled[name]} open={open === name} onOpen={() => onOpen(name)}>
      {open === name && <Suspense fallback={null}>{bodies[name]()}</Suspense>}
    </Answer>
  ));
}

function pumpSummary({ found, pump, ticket }: TicketView): string {
  if (ticket.sighted) return `not on file: they hear by ${date(ticket.sighted.due_on)}`;
  if (found.readings.length === 0) return "nothing seen yet";
  if (!found.plausible) return "not in the catalogue, as far as was seen";
  if (!pump) return `no option leads yet: ${found.pumps} pumps, ${found.orders} options are possible`;
  const others = (found.order_classes.find((one) => one.models.includes(pump.id))?.models.length ?? 1) - 1;
  return `${pump.maker} ${pump.id}${others > 0 ? ` or ${others} more with the same order` : ""}, ${percent(pump.sure)} sure`;
}

function workSummary({ ticket }: TicketView, areas: { id: string; name: string }[]): string {
  const complaints = ticket.complaints.length > 0 ? ` · complaint: ${ticket.complaints.join(", ")}` : "";
  if (ticket.scope.length === 0) return `nothing agreed yet${complaints}`;
  const pumps = ticket.pumps > 1 ? ` on ${ticket.pumps} pumps` : "";
  const scope = ticket.scope.map((id) => [areas.find((area) => area.id === id)?.name ?? id, ...(ticket.positions[id] ? [`(${ticket.positions[id].join(", ")})`] : [])].join(" "));
  const late = ticket.late.map(({ area, added }) => `${areas.find((one) => one.id === area)?.name ?? area} ${added ? "added" : "left out"}`);
  const since = late.length > 0 ? ` (since it was agreed: ${late.join(", ")})` : "";
  return `${scope.join(", ")}${since}${pumps}${ticket.agreed ? "" : " (asked for)"}${complaints}`;
}
