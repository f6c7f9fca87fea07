import { type RefObject, useState } from "react";
import { useVocabulary } from "../../api/queries";
import type { TicketView } from "../../api/types";
import { usePreview } from "../../ticket/usePreview";
import type { LiveTicket } from "../../ticket/useTicket";
import type { Answers } from "../useAnswers";
import { ChoiceLine } from "./ChoiceLine";
import { Phrases } from "./Phrases";
import { PreviewLine } from "./PreviewLine";
import { TypingLine } from "./TypingLine";
import { neitherKey, optionKeys, useChoice } from "./useChoice";
import { useCommands } from "./useCommands";
import { useLine } from "./useLine";
import type { Said } from "./useSaid";
import { useTakeUp } from "./useTakeUp";
import { useTyped } from "./useTyped";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
  answers: Answers;
  said: Said;
  field: RefObject<HTMLInputElement | null>;
  backToLine: () => void;
}

/** The line and what shows below it while it is typed. Only this is drawn again at each key. */
export function CounterLine({ ticket, view, answers, said, field, backToLine }: Props) {
  const line = useLine(view, said);
  const { draft } = line;
  const { enter, commandIn } = useCommands(ticket, view, line, answers, said);
  const [helping, setHelping] = useState(false);
  const ordered = view.order_id !== null;
  const vocabulary = useVocabulary().data;
  const preview = usePreview(commandIn(draft.text) || ordered ? "" : draft.text, answers.asked, view.id);
  const takeUp = useTakeUp(ticket, view);
  const choosing = useChoice(ticket, view);
  const typed = useTyped(view, draft.type);
  const shown = draft.text === "" ? choosing.open?.choice : preview?.choices[0];

  /** A line that is still being typed is read first, and its meaning taken. */
  const pick = async (option: number | null) => {
    const typedChoice = preview?.choices[0];
    if (!typedChoice || draft.text === "") return void choosing.pick(option);
    const number = view.last + 1;
    if (await line.take(() => answers.say(draft.text))) void choosing.pickIn(number, 0, option);
  };

  const onKey = (key: string): boolean => {
    const option = (optionKeys as readonly string[]).indexOf(key);
    // Escape clears a line that is being typed first.
    const neither = key === neitherKey && draft.text === "";
    if (!shown || (!neither && (option < 0 || option >= shown.options.length))) return false;
    void pick(neither ? null : option);
    return true;
  };

  return (
    <>
      <TypingLine
        ref={field}
        value={draft.text}
        said={ticket.problem?.where === "line" ? { text: ticket.problem.text, wrong: true } : said.answer}
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
      {helping && (
        <Phrases
          phrases={view.phrases}
          commands={vocabulary?.commands ?? []}
          operators={vocabulary?.operators ?? []}
          onUse={(text) => { draft.type(text); backToLine(); }}
          onClose={() => { setHelping(false); backToLine(); }}
        />
      )}
    </>
  );
}
