import { useState } from "react";
import type { TicketView } from "../api/types";
import type { LiveTicket } from "../ticket/useTicket";
import { type AnswerName, answerNames } from "./AnswerStack";
import type { Line } from "./line/useLine";

/** The stack of answers: which one is open, and the steps that lead from one to the next. */
export function useAnswers(ticket: LiveTicket, view: TicketView, line: Line) {
  const [open, setOpen] = useState<AnswerName>(view.order_id ? "Hand over" : "Pump");
  const question = view.enough ? undefined : view.found.next_questions[0];
  const asked = open === "Pump" ? question?.trait ?? null : null;

  /** Nothing is done to what cannot be seen: it is shown, and what was typed stays in the line. */
  const show = (text: string) => {
    setOpen("Pump");
    line.complain(text);
  };

  const reply = (index: number | null, where: string) => {
    const answer = index === null ? undefined : question?.answers[index];
    if (ticket.busy) return line.complain("The line before is still being read: answer when its question shows.");
    if (where === "line" && open !== "Pump") return show("The question is folded away. It is in sight now: answer again.");
    if (!question || (index !== null && !answer)) return line.complain("There is no such answer to choose.");
    const step = answer
      ? { kind: "answered" as const, reading: answer.reading, label: `${question.name}: ${answer.value}` }
      : { kind: "not_sure" as const, trait: question.trait };
    return where === "line" ? line.take(() => ticket.add(where, step)) : ticket.add(where, step);
  };

  const agree = () => {
    const { scope, positions, pumps } = view.ticket;
    return ticket.add("line", { kind: "work", areas: scope, positions, agreed: true, pumps });
  };

  /** Agrees the work where that is open, first as what is told needs it at least, and goes on to the next answer. */
  const carryOn = async () => {
    const agreeing = open === "Work";
    if (agreeing && view.ticket.scope.length === 0) {
      const areas = view.diagnosis?.scope.map((one) => one.id) ?? [];
      if (areas.length === 0) return line.complain("Agree at least one work area first.");
      return line.take(() => ticket.add("line", { kind: "work", areas, agreed: false, pumps: view.ticket.pumps }));
    }
    if (!(await line.take(async () => !agreeing || agree()))) return;
    setOpen(answerNames[Math.min(answerNames.indexOf(open) + 1, answerNames.length - 1)]!);
  };

  const saved = (order: TicketView | null) => {
    if (!order) return;
    const whose = order.ticket.customer_id === null ? " Nobody is named: say whose it is below." : "";
    line.tell(`Order ${order.order_id} is saved. Type card for the work card.${whose}`);
    setOpen("Hand over");
  };

  return { open, setOpen, question, asked, show, reply, carryOn, saved };
}

export type Answers = ReturnType<typeof useAnswers>;
