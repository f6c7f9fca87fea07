import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { ProblemAlert } from "../shell/ProblemAlert";
import { HandOverForm } from "./HandOverForm";
import { QuoteForm } from "./QuoteForm";
import { Scanner } from "./Scanner";
import { TakeBackForm } from "./TakeBackForm";
import type { OrderSteps } from "./useOrderSteps";

/** What is to be done next with an order, by where it stands; only what may be done is there. */
export function NextStep({ steps }: { steps: OrderSteps }) {
  const { order, problem } = steps;
  const may = (id: (typeof order.may)[number]) => order.may.includes(id);
  const toPick = order.goods.filter((good) => good.reserved > 0).map((good) => good.number);
  const toCheck = order.goods.filter((good) => good.bagged > good.checked).map((good) => good.number);
  const doing = may("pick") && toPick.length > 0 ? "pick" : may("check") && toCheck.length > 0 ? "check" : null;
  const bagged = order.goods.some((good) => good.bagged > 0);
  const ready = bagged || order.state === "checked";
  return (
    <Box component="section" aria-label="Next" sx={{ border: "1px solid", borderColor: "divider", borderRadius: 1, bgcolor: "background.paper", p: 1.5, my: 1 }}>
      {problem && <ProblemAlert>{problem}</ProblemAlert>}
      {order.state === "quoted" && <QuoteForm steps={steps} />}
      {doing && <Scanner label={doing === "pick" ? "Scan each piece into the bag" : "Scan each piece to check"} codes={doing === "pick" ? toPick : toCheck} onCode={(code) => steps.scan(code, doing)} />}
      {order.state === "waiting" && <p style={{ margin: 0 }}>Waits for {order.goods.filter((good) => good.short > 0).map((good) => `${good.short} × ${good.number} ${good.name}`).join(", ")}.</p>}
      {may("hand_over") && ready && <HandOverForm key={String(toCheck.length > 0)} steps={steps} unchecked={toCheck.length > 0} />}
      {may("take_back") && order.goods.some((good) => good.out > 0) && <TakeBackForm steps={steps} />}
      {may("close") && <Button variant="contained" onClick={() => void steps.step({ kind: "close" })}>Close: nothing more comes back</Button>}
      {order.state === "closed" && <p style={{ margin: 0 }}>Closed: nothing more is to be done.</p>}
    </Box>
  );
}
