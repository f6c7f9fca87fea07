import Box from "@mui/material/Box";
import { useState } from "react";
import { useVocabulary } from "../api/queries";
import type { TicketView } from "../api/types";
import { usePreview } from "../ticket/usePreview";
import type { LiveTicket } from "../ticket/useTicket";
import { AnswerStack } from "./AnswerStack";
import { ChoiceLine } from "./line/ChoiceLine";
import { Phrases } from "./line/Phrases";
import { PreviewLine } from "./line/PreviewLine";
import { TypingLine } from "./line/TypingLine";
import { neitherKey, optionKeys, useChoice } from "./line/useChoice";
import { useCommands } from "./line/useCommands";
import { useLine } from "./line/useLine";
import { useTakeUp } from "./line/useTakeUp";
import { useTyped } from "./line/useTyped";
import { StopList } from "./StopList";
import { Tray } from "./tray/Tray";
import { useAnswers } from "./useAnswers";

interface Props {
  ticket: LiveTicket;
  view: TicketView;
}

/** The counter: a typing line, the stack of answers, and the tray. */
export function Counter({ ticket, view }: Props) {
  const line = useLine(view);
  const { draft, field } = line;
  const answers = useAnswers(ticket, view, line);
  const { enter, say, commandIn } = useCommands(ticket, view, line, answers);
  const [helping, setHelping] = useState(false);
  const ordered = view.order_id !== null;
  const vocabulary = useVocabulary().data;
  const preview = usePreview(commandIn(draft.text) || ordered ? "" : draft.text, answers.asked, view.id);
  const takeUp = useTakeUp(ticket, view);
  const choosing = useChoice(ticket, view);
  const typed = useTyped(view, draft.type);
  const save = async (reason: string | null, where: string) => answers.saved(await ticket.order(where, reason));

  const backToLine = () => field.current?.focus();
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
    if (await line.take(() => say(draft.text))) void choosing.pickIn(number, 0, option);
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
          ref={field}
          value={draft.text}
          said={ticket.problem?.where === "line" ? { text: ticket.problem.text, wrong: true } : line.said}
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
        <AnswerStack
          ticket={ticket}
          view={view}
          open={answers.open}
          onOpen={answers.setOpen}
          onReply={(index) => { void answers.reply(index, "Pump"); backToLine(); }}
          onSend={(text) => { void say(text); backToLine(); }}
          onSave={(reason) => void save(reason, "Hand over")}
        />
      </Box>
      <Tray ticket={ticket} view={view} onSave={(reason) => void save(reason, "tray")} />
    </Box>
    </Box>
  );
}
