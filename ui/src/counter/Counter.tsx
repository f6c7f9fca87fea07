import Box from "@mui/material/Box";
import { useRef, useState } from "react";
import type { TicketView } from "../api/types";
import { commandOf, type Command } from "../ticket/commands";
import { usePreview } from "../ticket/usePreview";
import { useStored } from "../ticket/useStored";
import type { LiveTicket } from "../ticket/useTicket";
import { AnswerStack, type AnswerName, answerNames } from "./AnswerStack";
import { Phrases } from "./line/Phrases";
import { PreviewLine } from "./line/PreviewLine";
import { TypingLine } from "./line/TypingLine";
import { useTakeUp } from "./line/useTakeUp";
import { CaliperStandIn } from "./pump/CaliperStandIn";
import { Tray } from "./tray/Tray";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
}

/** The counter: a typing line, the stack of answers, and the tray. */
export function Counter({ ticket, view }: Props) {
  const [draft, setDraft] = useStored(`gimlet draft ${view.id ?? "new"}`);
  const [open, setOpen] = useState<AnswerName>(view.order_id ? "Hand over" : "Pump");
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const [helping, setHelping] = useState(false);
  const line = useRef<HTMLInputElement>(null);
  const ordered = view.order_id !== null;

  const enough = view.lacking.length === 0;
  const question = enough ? undefined : view.found.next_questions[0];
  const asked = open === "Pump" ? question?.trait ?? null : null;
  const command = commandOf(draft, question?.figure === "button");
  const preview = usePreview(command || ordered ? "" : draft, asked);
  const takeUp = useTakeUp(ticket, view);

  const complain = (text: string) => setSaid({ text, wrong: true });
  const done = (text: string) => {
    if (localStorage.getItem(`gimlet draft ${view.id ?? "new"}`) === text) setDraft("");
    setSaid(null);
  };

  const say = async (words: string, typed: boolean) => {
    const taken = await ticket.add("line", { kind: "said", words, asked });
    if (taken && typed) done(words);
  };

  const carryOn = async () => {
    if (open === "Work" && view.ticket.scope.length === 0) return complain("Agree at least one work area first.");
    if (open === "Work") await ticket.add("line", { kind: "work", areas: view.ticket.scope, agreed: true, pumps: view.ticket.pumps });
    setDraft("");
    setSaid(null);
    setOpen(answerNames[Math.min(answerNames.indexOf(open) + 1, answerNames.length - 1)]!);
  };

  const save = async (reason: string | null, where = "line") => {
    const saved = await ticket.order(where, reason);
    if (!saved) return;
    setDraft("");
    setSaid({ text: `Order ${saved.order_id} is saved. Type card for the work card.`, wrong: false });
    setOpen("Hand over");
  };

  const reply = async (index: number | null, where: string) => {
    const answer = index === null ? undefined : question?.answers[index];
    if (!question || (index !== null && !answer)) return complain("There is no such answer to choose.");
    const step = answer
      ? { kind: "answered" as const, reading: answer.reading, label: `${question.name}: ${answer.value}` }
      : { kind: "not_sure" as const, trait: question.trait };
    if (await ticket.add(where, step)) {
      setDraft("");
      setSaid(null);
    }
  };

  const strike = async (kind: "struck" | "restored", number: number | null) => {
    const last = [...view.call].reverse().find((one) => one.items.length > 0);
    const of = number ?? last?.number;
    if (of === undefined) return complain("Nothing was said yet.");
    if (await ticket.add("line", { kind, of, item: null })) setDraft("");
  };

  const settle = async (reason: string) => {
    const doubt = view.found.contradictions.find((one) => one.matters && !view.ticket.settled.some((other) => other.doubt === one.key))?.key
      ?? (view.lacking.some((one) => one.id === "plate_unconfirmed") ? "plate_unconfirmed" : undefined);
    if (!doubt) return complain("No doubt stands.");
    if (await ticket.add("line", { kind: "settled", doubt, reason })) setDraft("");
  };

  const obey = (order: Command) => {
    switch (order.kind) {
      case "answer": return reply(order.index, "line");
      case "unsure": return reply(null, "line");
      case "carry on": return carryOn();
      case "save": return save(order.reason);
      case "stands": return settle(order.reason);
      case "strike": return strike("struck", order.line);
      case "bring back": return strike("restored", order.line);
      case "card":
        if (!ordered) return complain("Save the order first: type save.");
        setDraft("");
        window.open(`/api/orders/${view.order_id}/card.pdf`, "_blank");
    }
  };

  const enter = () => {
    if (ordered && command?.kind !== "card" && command?.kind !== "carry on") {
      return complain(`This ticket is order ${view.order_id} already: start a new ticket for another job.`);
    }
    void (command ? obey(command) : say(draft, true));
  };

  const backToLine = () => line.current?.focus();

  return (
    <Box sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr) 340px", gap: 2, alignItems: "start" }}>
      <Box>
        <TypingLine
          ref={line}
          value={draft}
          said={ticket.problem?.where === "line" ? { text: ticket.problem.text, wrong: true } : said}
          onType={(text) => { setDraft(text); ticket.forget(); }}
          onEnter={enter}
          onHelp={() => setHelping((now) => !now)}
          takeUp={takeUp}
        />
        {preview && <PreviewLine words={draft} preview={preview} />}
        {helping && <Phrases phrases={view.phrases} onUse={(text) => { setDraft(text); backToLine(); }} onClose={() => { setHelping(false); backToLine(); }} />}
        <AnswerStack
          ticket={ticket}
          view={view}
          open={open}
          onOpen={setOpen}
          onReply={(index) => { void reply(index, "Pump"); backToLine(); }}
          onSave={(reason) => void save(reason, "Hand over")}
        />
      </Box>
      <Tray ticket={ticket} view={view} onSave={(reason) => void save(reason, "tray")}>
        {!ordered && open === "Pump" && (
          <CaliperStandIn onSend={(text) => { void say(text, false); backToLine(); }} />
        )}
      </Tray>
    </Box>
  );
}
