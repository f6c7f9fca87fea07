import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { type ReactNode, useState } from "react";
import type { Order } from "../api/types";
import { dated } from "../shell/format";
import { ProblemAlert } from "../shell/ProblemAlert";
import { CheckAloneForm } from "./CheckAloneForm";
import { HandOverForm } from "./HandOverForm";
import { ProlongForm } from "./ProlongForm";
import { Scanner } from "./Scanner";
import { ServeFirstForm } from "./ServeFirstForm";
import { TakeBackForm } from "./TakeBackForm";
import type { OrderSteps } from "./useOrderSteps";

/** Steps that ask for more than a press. */
const FORMS: Partial<Record<Order["next"]["forms"][number], (steps: OrderSteps) => ReactNode>> = {
  prolong: (steps) => <ProlongForm steps={steps} />,
  hand_over: (steps) => <HandOverForm key={String(steps.order.next.unchecked)} steps={steps} />,
  check_alone: (steps) => <CheckAloneForm steps={steps} />,
  serve_first: (steps) => <ServeFirstForm steps={steps} />,
  take_back: (steps) => <TakeBackForm steps={steps} />,
};

/** What is to be done next with an order; only what may be done is there. */
export function NextStep({ steps }: { steps: OrderSteps }) {
  const { scan, forms, buttons, says } = steps.order.next;
  // Checking begins with a press: the scan too many of the last piece picked is not its check.
  const [scanning, setScanning] = useState(scan?.kind);
  if (scan && !scanning) setScanning(scan.kind);
  return (
    <Box component="section" aria-label="Next" sx={{ border: "1px solid", borderColor: "divider", borderRadius: 1, bgcolor: "background.paper", p: 1.5, my: 1 }}>
      {steps.problem && <ProblemAlert>{steps.problem}</ProblemAlert>}
      {scan?.kind === scanning && scan && <Scanner label={scan.name} codes={scan.codes} onCode={(code) => steps.scan(code, scan.kind)} />}
      {scan && scan.kind !== scanning && <Button variant="contained" onClick={() => setScanning(scan.kind)}>{scan.name}</Button>}
      {says && <p style={{ margin: 0 }}>{dated(says)}</p>}
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center" }}>
        {buttons.map((one) => <Button key={one.kind} variant={one.quiet ? "text" : "contained"} onClick={() => void steps.press(one.kind)}>{one.name}</Button>)}
        {forms.map((id) => <Box key={id}>{FORMS[id]?.(steps)}</Box>)}
      </Box>
    </Box>
  );
}
