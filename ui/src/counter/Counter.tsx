import Box from "@mui/material/Box";
import { useRef, useState } from "react";
import { api, Problem, told } from "../api/client";
import { commandOf, type Command } from "../ticket/commands";
import { liveReadings, withLine, withReading } from "../ticket/state";
import type { LiveTicket } from "../ticket/useTicket";
import { CaliperStandIn } from "./CaliperStandIn";
import { AnswerStack, type AnswerName, answerNames } from "./AnswerStack";
import { Tray } from "./Tray";
import { TypingLine } from "./TypingLine";
import { useCounter } from "./useCounter";

/** The counter: a typing line, the stack of answers, and the tray. */
export function Counter({ ticket }: { ticket: LiveTicket }) {
  const { state, change } = ticket;
  const view = useCounter(state);
  const [open, setOpen] = useState<AnswerName>(ticket.orderId ? "Hand over" : "Pump");
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const line = useRef<HTMLInputElement>(null);
  const saving = useRef(false);
  const ordered = ticket.orderId !== null;

  const complain = (text: string) => setSaid({ text, wrong: true });

  const read = async (typed: string) => {
    const asked = view.found?.enough_to_order ? undefined : view.found?.next_questions[0]?.trait;
    const answer = await told(
      api.POST("/api/identify", {
        body: { readings: liveReadings(state), text: typed, channel: state.channel, ...(asked ? { asked } : {}) },
      }),
    );
    change((now) => withLine(now, typed, answer));
    const unread = answer.heard.unread;
    setSaid(unread.length > 0 ? { text: `Not understood: ${unread.join("; ")}`, wrong: true } : null);
  };

  const carryOn = () => {
    if (open === "Work" && state.scope.length === 0) return complain("Agree at least one work area first.");
    if (open === "Work") change((now) => ({ ...now, scope_agreed: true }));
    change((now) => ({ ...now, draft: "" }));
    setSaid(null);
    setOpen(answerNames[Math.min(answerNames.indexOf(open) + 1, answerNames.length - 1)]!);
  };

  const save = async () => {
    if (saving.current) return;
    if (!view.plan) return complain("There is nothing to save yet: say what the pump is and agree the work.");
    saving.current = true;
    try {
      change((now) => ({ ...now, draft: "", scope_agreed: true }));
      const { id, version } = await ticket.settle();
      const order = await told(api.POST("/api/orders", { body: { ticket_id: id, version } }));
      ticket.setOrderId(order.id);
      setSaid({ text: `Order ${order.id} is saved. Type card for the work card.`, wrong: false });
      setOpen("Hand over");
    } finally {
      saving.current = false;
    }
  };

  const reply = (index: number | null) => {
    const question = view.found?.next_questions[0];
    const answer = index === null ? undefined : question?.answers[index];
    if (!question || (index !== null && !answer)) return complain("There is no such answer to choose.");
    change((now) => withReading(now, answer ? answer.reading : { trait: question.trait, unknown: true }));
    setSaid(null);
  };

  const obey = async (command: Command) => {
    switch (command.kind) {
      case "answer": return reply(command.index);
      case "unsure": return reply(null);
      case "carry on": return carryOn();
      case "save": return save();
      case "card":
        if (ticket.orderId === null) return complain("Save the order first: type save.");
        change((now) => ({ ...now, draft: "" }));
        window.open(`/api/orders/${ticket.orderId}/card.pdf`, "_blank");
    }
  };

  const attempt = (work: Promise<void> | void) => {
    void Promise.resolve(work).catch((error: Problem) => complain(error.message));
  };

  const enter = () => {
    const command = commandOf(state.draft);
    if (ordered && command?.kind !== "card" && command?.kind !== "carry on") {
      return complain(`This ticket is order ${ticket.orderId} already: start a new ticket for another job.`);
    }
    attempt(command ? obey(command) : read(state.draft));
  };

  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) 340px", gap: 2, alignItems: "start" }}>
      <Box>
        <TypingLine
          ref={line}
          value={state.draft}
          said={ticket.problem ? { text: ticket.problem, wrong: true } : said}
          onType={(draft) => change((now) => ({ ...now, draft }))}
          onEnter={enter}
        />
        <AnswerStack
          ticket={ticket}
          view={view}
          open={open}
          onOpen={setOpen}
          onReply={(index) => { reply(index); line.current?.focus(); }}
          onSave={() => attempt(save())}
        />
      </Box>
      <Tray view={view} ordered={ordered} onSave={() => attempt(save())}>
        {!ordered && open === "Pump" && (
          <CaliperStandIn onSend={(text) => { attempt(read(text)); line.current?.focus(); }} />
        )}
      </Tray>
    </Box>
  );
}
