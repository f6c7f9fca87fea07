import { api, type Problem, told } from "../../api/client";
import { useVocabulary } from "../../api/queries";
import { useStale } from "../../api/stale";
import type { TicketView } from "../../api/types";
import { useSameAgain } from "../../customers/useSameAgain";
import { type Command, commandOf } from "../../ticket/commands";
import { freshKey } from "../../ticket/key";
import { useAnotherJob } from "../../ticket/useAnotherJob";
import type { LiveTicket } from "../../ticket/useTicket";
import type { Answers } from "../useAnswers";
import type { Line } from "./useLine";
import type { Said } from "./useSaid";

type Doing = void | Promise<unknown>;

/** What a line does once Enter is pressed: a command is obeyed, anything else is said. */
export function useCommands(ticket: LiveTicket, view: TicketView, { draft, take }: Line, answers: Answers, { complain }: Said) {
  const { question, show, say, saved } = answers;
  const ordered = view.order_id !== null;
  const vocabulary = useVocabulary();
  const stale = useStale();
  const sameAgain = useSameAgain(view.id);
  const anotherJob = useAnotherJob();
  const commandIn = (text: string, commands = vocabulary.data?.commands ?? []) => commandOf(text, commands, question?.figure === "button");

  const order = (reason: string | null, quote?: boolean) => take(() => ticket.order("line", reason, quote)).then(saved);

  const strike = (kind: "struck" | "restored", number: number | null): Doing => {
    const taking = kind === "struck";
    const last = [...view.call].reverse().find((one) => (one.kind === "said" || one.items.length > 0) && one.struck !== taking);
    const of = number ?? last?.number;
    if (of === undefined) return complain("Nothing was said yet.");
    if (number === null && answers.open !== "Pump") return show(`The call is folded away. Line ${of} is in sight now: ${taking ? "strike" : "bring back"} it again.`);
    return take(() => ticket.add("line", { kind, of, item: null }));
  };

  const settle = (reason: string): Doing => {
    const { doubt } = view;
    if (doubt === null) return complain("No doubt stands.");
    return take(() => ticket.add("line", { kind: "settled", doubt, reason }));
  };

  /** Writes down who calls, and names them on the ticket. */
  const newCustomer = async (typed: string) => {
    try {
      const customer = await told(api.POST("/api/customers", { body: { key: freshKey(), line: typed } }));
      stale("customer");
      return await take(() => ticket.add("line", { kind: "customer", customer_id: customer.id }));
    } catch (error) {
      return complain((error as Problem).message);
    }
  };

  const again = (): Doing => {
    const last = view.ticket.customer?.last;
    if (!last) return complain(view.ticket.customer ? "They have had no order yet." : "Name the customer first: type the name.");
    draft.type("");
    sameAgain.mutate(last.id, { onError: (error) => complain(error.message) });
  };

  const nextPump = (): Doing => {
    if (view.id === null) return complain("Say what the first pump is before the next one.");
    draft.type("");
    anotherJob.mutate(view.id, { onError: (error) => complain(error.message) });
  };

  const sighted = (): Doing =>
    view.id === null ? complain("Say what was seen of it first.") : take(() => ticket.add("line", { kind: "sighted" }));

  const card = (): Doing => {
    if (!ordered) return complain("Save the order first: type save.");
    draft.type("");
    window.open(`/api/orders/${view.order_id}/card.pdf`, "_blank");
  };

  const doing: Record<Command["id"], (command: Command) => Doing> = {
    answer: ({ number }) => answers.reply(number! - 1, take),
    unsure: () => answers.reply(null, take),
    carry_on: () => answers.carryOn(take),
    save: ({ reason }) => order(reason),
    quote: ({ reason }) => order(reason, true),
    again,
    another_job: nextPump,
    sighted,
    stands: ({ reason }) => settle(reason ?? ""),
    strike: ({ number }) => strike("struck", number),
    bring_back: ({ number }) => strike("restored", number),
    new_customer: ({ reason }) => newCustomer(reason ?? ""),
    card,
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
    const command = commandIn(text, commands);
    if (ordered && !command?.afterwards) return complain(`This ticket is order ${view.order_id} already: start a new ticket for another job.`);
    void (command ? doing[command.id](command) : take(() => say(text)));
  };

  return { enter, commandIn };
}
