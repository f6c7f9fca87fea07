import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import type { Identification, Question, TicketView } from "../../api/types";
import { OutsideDrawing } from "../../drawing/OutsideDrawing";
import { percent } from "../../shell/format";
import { petrol } from "../../shell/theme";
import { Stuck } from "./Stuck";
import { Muted } from "../../shell/text";

interface Props {
  view: TicketView;
  onReply: (index: number | null) => void;
}

/** The one thing to ask next, in words to read out, with the likely answers. */
export function NextQuestion({ view, onReply }: Props) {
  const { found } = view;
  const question = found.next_questions[0];
  if (view.order_id !== null) return null;
  if (view.enough || found.enough_to_order) {
    return (
      <Box role="status" sx={{ border: `2px solid ${petrol}`, borderRadius: 1, p: 1.25, mb: 1 }}>
        <strong>Enough to order.</strong> {sameOrder(found)} Enter carries on.
      </Box>
    );
  }
  const pictured = question?.answers.some((answer) => answer.picture) ?? false;
  if (!question) return found.orders > 0 ? <Stuck view={view} /> : null;
  return (
    <Box component="section" aria-label="Ask next" sx={{ border: `2px solid ${petrol}`, borderRadius: 1, p: 1.25, mb: 1 }}>
      <Muted>Ask next · about {question.seconds} s</Muted>
      <Box sx={{ display: "flex", gap: 1.5, justifyContent: "space-between", mb: 0.75 }}>
        <Box sx={{ fontSize: 19, fontWeight: 700 }}>“{question.say}”</Box>
        {question.picture && !pictured && <OutsideDrawing view={question.picture.views[0]!} marked={question.picture.marked} width={150} height={100} label={`Where to look: ${question.picture.views[0]!.name}`} />}
      </Box>
      <Box sx={pictured ? { display: "flex", flexWrap: "wrap", gap: 0.75 } : { display: "flex", flexDirection: "column", gap: 0.5 }}>
        {question.answers.map((answer, index) => (
          <AnswerButton key={answer.value} answer={answer} number={question.figure === "button" ? index + 1 : null} pictured={pictured} onReply={() => onReply(index)} />
        ))}
      </Box>
      <Box sx={{ display: "flex", flexDirection: "column", gap: 0.5, mt: 0.5 }}>
        <span>{question.figure === "value" ? "Type the answer" : "Anything else: type it"} in the line above.</span>
        <Button onClick={() => onReply(null)} sx={{ justifyContent: "flex-start", py: 0.25 }}>? · not sure</Button>
      </Box>
      <Others questions={found.next_questions.slice(1, 3)} />
    </Box>
  );
}

interface AnswerProps {
  answer: Question["answers"][number];
  /** The key that it is on. */
  number: number | null;
  pictured: boolean;
  onReply: () => void;
}

/** One answer, with what it looks like where the answers differ to the eye. */
function AnswerButton({ answer, number, pictured, onReply }: AnswerProps) {
  const named = <span>{number === null ? "" : `${number} · `}{answer.value}</span>;
  const likely = answer.probability > 0 && <span style={{ fontWeight: 400, fontSize: 14 }}>{percent(answer.probability)} likely</span>;
  if (!pictured) return <Button variant="outlined" onClick={onReply} sx={{ justifyContent: "space-between", py: 0.5 }}>{named}{likely}</Button>;
  return (
    <Button variant="outlined" onClick={onReply} sx={{ flexDirection: "column", justifyContent: "flex-end", flex: "1 1 30%", minWidth: 116, p: 0.75, lineHeight: 1.25 }}>
      {answer.picture && <OutsideDrawing view={answer.picture.views[0]!} marked={answer.picture.marked} width={140} height={84} label={answer.value} />}
      {named}
      {likely}
    </Button>
  );
}

function sameOrder(found: Identification): string {
  const left = found.order_classes[0]!.models.length;
  if (left === 1) return "One pump is left.";
  const idle = found.differences.filter((row) => !row.changes_order).map((row) => row.name);
  const only = idle.length > 0 ? ` They differ in ${idle.join(", ")}, which does not change it.` : "";
  return `The ${left} pumps still left need the same order.${only}`;
}

function Others({ questions }: { questions: Identification["next_questions"] }) {
  if (questions.length === 0) return null;
  return <Muted>Or ask for: {questions.map((one) => one.name).join(", ")}.</Muted>;
}
