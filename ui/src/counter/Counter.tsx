import Box from "@mui/material/Box";
import { useCallback, useRef, useState } from "react";
import { api, Problem, told } from "../api/client";
import { type Intent, useArrived } from "../api/outbox";
import { useVocabulary } from "../api/queries";
import type { TicketView } from "../api/types";
import { useStale } from "../api/stale";
import { commandOf, type Command } from "../ticket/commands";
import { useAnotherJob } from "../ticket/useAnotherJob";
import { useSameAgain } from "../customers/useSameAgain";
import { usePreview } from "../ticket/usePreview";
import { useDraft } from "../ticket/useDraft";
import type { LiveTicket } from "../ticket/useTicket";
import { AnswerStack, type AnswerName, answerNames } from "./AnswerStack";
import { StopList } from "./StopList";
import { Phrases } from "./line/Phrases";
import { ChoiceLine } from "./line/ChoiceLine";
import { PreviewLine } from "./line/PreviewLine";
import { TypingLine } from "./line/TypingLine";
import { neitherKey, optionKeys, useChoice } from "./line/useChoice";
import { useTakeUp } from "./line/useTakeUp";
import { useTyped } from "./line/useTyped";
import { Tray } from "./tray/Tray";
import { freshKey } from "../ticket/key";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
}

/** The counter: a typing line, the stack of answers, and the tray. */
export function Counter({ ticket, view }: Props) {
  const draft = useDraft(view.id);
  const [open, setOpen] = useState<AnswerName>(view.order_id ? "Hand over" : "Pump");
  const [said, setSaid] = useState<{ text: string; wrong: boolean } | null>(null);
  const [helping, setHelping] = useState(false);
  const line = useRef<HTMLInputElement>(null);
  const ordered = view.order_id !== null;
  const vocabulary = useVocabulary();

  const question = view.enough ? undefined : view.found.next_questions[0];
  const asked = open === "Pump" ? question?.trait ?? null : null;
  const command = commandOf(draft.text, vocabulary.data?.commands ?? [], question?.figure === "button");
  const preview = usePreview(command || ordered ? "" : draft.text, asked, view.id);
  const takeUp = useTakeUp(ticket, view);
  const choosing = useChoice(ticket, view);
  const typed = useTyped(view, draft.type);
  // A line that came back to the field and then arrived after all is not typed again.
  const { forget: forgetLine } = draft;
  useArrived(useCallback(({ body }: Intent) => typeof body.words === "string" && forgetLine(body.words), [forgetLine]));
  const stale = useStale();
  const sameAgain = useSameAgain(view.id);
  const anotherJob = useAnotherJob();

  /** A refused command stays in the line, marked, so that the next typing takes its place. */
  const complain = (text: string) => {
    setSaid({ text, wrong: true });
    line.current?.select();
  };

  /** Nothing is done to what cannot be seen: it is shown, and what was typed stays in the line. */
  const folded = (text: string) => {
    setOpen("Pump");
    complain(text);
  };

  /** Does what the line says. The field is free at once, and has the line back if it was not taken. */
  const fromLine = async <T,>(step: () => Promise<T>): Promise<T> => {
    const words = draft.text;
    draft.send(words);
    const result = await step();
    if (result) {
      draft.taken(words);
      setSaid(null);
    } else draft.refused(words);
    return result;
  };

  const say = (words: string) => ticket.add("line", { kind: "said", words, asked });

  const carryOn = async () => {
    const agreeing = open === "Work";
    const least = view.diagnosis?.scope.map((one) => one.id) ?? [];
    if (agreeing && view.ticket.scope.length === 0) {
      if (least.length === 0) return complain("Agree at least one work area first.");
      return fromLine(() => ticket.add("line", { kind: "work", areas: least, agreed: false, pumps: view.ticket.pumps }));
    }
    const agreed = await fromLine(async () => !agreeing || ticket.add("line", { kind: "work", areas: view.ticket.scope, positions: view.ticket.positions, agreed: true, pumps: view.ticket.pumps }));
    if (agreed) setOpen(answerNames[Math.min(answerNames.indexOf(open) + 1, answerNames.length - 1)]!);
  };

  const saved = (order: TicketView | null) => {
    if (!order) return;
    const whose = order.ticket.customer_id === null ? " Nobody is named: say whose it is below." : "";
    setSaid({ text: `Order ${order.order_id} is saved. Type card for the work card.${whose}`, wrong: false });
    setOpen("Hand over");
  };

  const save = async (reason: string | null, where: string) => saved(await ticket.order(where, reason));

  const reply = (index: number | null, where: string) => {
    const answer = index === null ? undefined : question?.answers[index];
    if (ticket.busy) return complain("The line before is still being read: answer when its question shows.");
    if (where === "line" && open !== "Pump") return folded("The question is folded away. It is in sight now: answer again.");
    if (!question || (index !== null && !answer)) return complain("There is no such answer to choose.");
    const step = answer
      ? { kind: "answered" as const, reading: answer.reading, label: `${question.name}: ${answer.value}` }
      : { kind: "not_sure" as const, trait: question.trait };
    return where === "line" ? fromLine(() => ticket.add(where, step)) : ticket.add(where, step);
  };

  const strike = (kind: "struck" | "restored", number: number | null) => {
    const taking = kind === "struck";
    const last = [...view.call].reverse().find((one) => (one.kind === "said" || one.items.length > 0) && one.struck !== taking);
    const of = number ?? last?.number;
    if (of === undefined) return complain("Nothing was said yet.");
    if (number === null && open !== "Pump") return folded(`The call is folded away. Line ${of} is in sight now: ${taking ? "strike" : "bring back"} it again.`);
    return fromLine(() => ticket.add("line", { kind, of, item: null }));
  };

  const settle = (reason: string) => {
    const { doubt } = view;
    if (doubt === null) return complain("No doubt stands.");
    return fromLine(() => ticket.add("line", { kind: "settled", doubt, reason }));
  };

  /** Writes down who calls, and names them on the ticket. */
  const newCustomer = async (typed: string) => {
    try {
      const customer = await told(api.POST("/api/customers", { body: { key: freshKey(), line: typed } }));
      stale("customer");
      return await fromLine(() => ticket.add("line", { kind: "customer", customer_id: customer.id }));
    } catch (error) {
      return complain((error as Problem).message);
    }
  };

  const again = () => {
    const last = view.ticket.customer?.last;
    if (!last) return complain(view.ticket.customer ? "They have had no order yet." : "Name the customer first: type the name.");
    draft.type("");
    sameAgain.mutate(last.id, { onError: (error) => complain(error.message) });
  };

  const nextPump = () => {
    if (view.id === null) return complain("Say what the first pump is before the next one.");
    draft.type("");
    anotherJob.mutate(view.id, { onError: (error) => complain(error.message) });
  };

  const obey = (order: Command) => {
    switch (order.id) {
      case "answer": return reply(order.number! - 1, "line");
      case "unsure": return reply(null, "line");
      case "carry_on": return carryOn();
      case "save": return fromLine(() => ticket.order("line", order.reason)).then(saved);
      case "quote": return fromLine(() => ticket.order("line", order.reason, true)).then(saved);
      case "again": return again();
      case "another_job": return nextPump();
      case "sighted": return view.id === null ? complain("Say what was seen of it first.") : fromLine(() => ticket.add("line", { kind: "sighted" }));
      case "stands": return settle(order.reason ?? "");
      case "strike": return strike("struck", order.number);
      case "bring_back": return strike("restored", order.number);
      case "new_customer": return newCustomer(order.reason ?? "");
      case "card":
        if (!ordered) return complain("Save the order first: type save.");
        draft.type("");
        window.open(`/api/orders/${view.order_id}/card.pdf`, "_blank");
    }
  };

  /** A line is told from a command by what the server knows of them. */
  const enter = async () => {
    const { text } = draft;
    // What is typed next is another line, also while the words of the vocabulary are on their way.
    if (!vocabulary.data) draft.type("");
    const commands = (vocabulary.data ?? (await vocabulary.refetch()).data)?.commands;
    if (!commands) {
      draft.refused(text);
      return complain("The server does not answer yet: the line stays here. Press Enter again.");
    }
    const command = commandOf(text, commands, question?.figure === "button");
    if (ordered && command?.id !== "card" && command?.id !== "carry_on" && command?.id !== "another_job") {
      return complain(`This ticket is order ${view.order_id} already: start a new ticket for another job.`);
    }
    void (command ? obey(command) : fromLine(() => say(text)));
  };

  const backToLine = () => line.current?.focus();
  /** After a click the hands are on the keys again; whoever walks by the keyboard stays where they are. */
  const clicked = (event: React.MouseEvent) => {
    const pressed = (event.target as Element).closest("button, summary");
    if (event.detail > 0 && pressed && !pressed.closest("[role=dialog], form, [data-keeps-focus]")) requestAnimationFrame(backToLine);
  };

  /** A line that is still being typed is read first, and its meaning taken. */
  const pick = async (option: number | null) => {
    const typedChoice = preview?.choices[0];
    if (!typedChoice || draft.text === "") return void choosing.pick(option);
    const number = view.last + 1;
    if (await fromLine(() => say(draft.text))) void choosing.pickIn(number, 0, option);
  };

  const onKey = (key: string): boolean => {
    const option = (optionKeys as readonly string[]).indexOf(key);
    const options = draft.text === "" ? choosing.open?.choice.options : preview?.choices[0]?.options;
    // Escape clears a line that is being typed first.
    const neither = key === neitherKey && draft.text === "";
    if (!options || (!neither && (option < 0 || option >= options.length))) return false;
    void pick(neither ? null : option);
    return true;
  };

  const shown = draft.text === "" ? choosing.open?.choice : preview?.choices[0];

  return (
    <Box onClick={clicked}>
    {view.stops.length > 0 && <StopList ticket={ticket} stops={view.stops} />}
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) 300px", lg: "minmax(0, 1fr) 340px" }, gap: 2, alignItems: "start" }}>
      <Box>
        <TypingLine
          ref={line}
          value={draft.text}
          said={ticket.problem?.where === "line" ? { text: ticket.problem.text, wrong: true } : said}
          onType={(text) => { draft.type(text); typed.leave(); ticket.forget(); }}
          onEnter={() => void enter()}
          onHelp={() => setHelping((now) => !now)}
          onEarlier={typed.earlier}
          onLater={typed.later}
          onKey={onKey}
          takeUp={takeUp}
        />
        {preview && <PreviewLine words={draft.text} preview={preview} />}
        {shown && !ordered && <ChoiceLine words={shown.words} options={shown.options} onPick={(option) => { void pick(option); backToLine(); }} />}
        {helping && <Phrases phrases={view.phrases} commands={vocabulary.data?.commands ?? []} operators={vocabulary.data?.operators ?? []} onUse={(text) => { draft.type(text); backToLine(); }} onClose={() => { setHelping(false); backToLine(); }} />}
        <AnswerStack
          ticket={ticket}
          view={view}
          open={open}
          onOpen={setOpen}
          onReply={(index) => { void reply(index, "Pump"); backToLine(); }}
          onSend={(text) => { void say(text); backToLine(); }}
          onSave={(reason) => void save(reason, "Hand over")}
        />
      </Box>
      <Tray ticket={ticket} view={view} onSave={(reason) => void save(reason, "tray")} />
    </Box>
    </Box>
  );
}
