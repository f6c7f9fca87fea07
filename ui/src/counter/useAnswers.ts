import { useState } from "react";
import type { TicketView } from "../api/types";
import type { LiveTicket } from "../ticket/useTicket";
import { type AnswerName, answerNames } from "./AnswerStack";
import type { Said } from "./line/useSaid";

/** Does a step; from the line it gives the words back where they are refused. */
export type Take = <T>(step: () => Promise<T>) => Promise<T>;

/** The stack of answers: which one is open, and the steps that lead from one to the next. */
export function useAnswers(ticket: LiveTicket, view: TicketView, { tell, complain }: Said) {
  const [open, setOpen] = useState<AnswerName>(view.order_id ? "Hand over" : "Pump");
  const question = view.enough ? undefined : view.found.next_questions[0];
  const asked = open === "Pump" ? question?.trait ?? null : null;

  /** Nothing is done to what cannot be seen: it is shown, and what was typed stays in the line. */
  const show = (text: string) => {
    setOpen("Pump");
    complain(text);
  };

  const say = (words: string) => ticket.add("line", { kind: "said", words, asked });

  const replyStep = (index: number | null) => {
    if (!question) return null;
    if (index === null) return { kind: "not_sure" as const, trait: question.trait };
    const answer = question.answers[index];
    return answer ? { kind: "answered" as const, reading: answer.reading, label: `${question.name}: ${answer.value}` } : null;
  };

  /** Answers the open question, with one of its answers or with “not sure”. */
  const reply = (index: number | null, take?: Take) => {
    if (ticket.busy) return complain("The line before is still being read: answer when its question shows.");
    if (take && open !== "Pump") return show("The question is folded away. It is in sight now: answer again.");
    const step = replyStep(index);
    if (step === null) return complain("There is no such answer to choose.");
    return take ? take(() => ticket.add("line", step)) : ticket.add("Pump", step);
  };

  const agree = () => {
    const { scope, positions, pumps } = view.ticket;
    return ticket.add("line", { kind: "work", areas: scope, positions, agreed: true, pumps });
  };

  /** Agrees the work where that is open, first as what is told needs it at least, and goes on to the next answer. */
  const carryOn = async (take: Take) => {
    const agreeing = open === "Work";
    if (agreeing && view.ticket.scope.length === 0) {
      const areas = view.diagnosis?.scope.map((one) => one.id) ?? [];
      if (areas.length === 0) return complain("Agree at least one work area first.");
      return take(() => ticket.add("line", { kind: "work", areas, agreed: false, pumps: view.ticket.pumps }));
    }
    if (!(await take(async () => !agreeing || agree()))) return;
    setOpen(answerNames[Math.min(answerNames.indexOf(open) + 1, answerNames.length - 1)]!);
  };

  const saved = (order: TicketView | null) => {
    if (!order) return;
    const whose = order.ticket.customer_id === null ? " Nobody is named: say whose it is below." : "";
    tell(`Order ${order.order_id} is saved. Type card for the work card.${whose}`);
    setOpen("Hand over");
  };

  return { open, setOpen, question, asked, show, say, reply, carryOn, saved };
}

export type Answers = ReturnType<typeof useAnswers>;
