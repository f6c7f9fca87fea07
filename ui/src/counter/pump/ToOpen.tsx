import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useState } from "react";
import type { TicketView } from "../../api/types";
import { OutsideDrawing } from "../../drawing/OutsideDrawing";

/** Where nothing more can be asked: what to open and look at, to be read out or sent. The ticket waits. */
export function ToOpen({ view }: { view: TicketView }) {
  const [copied, setCopied] = useState(false);
  const plan = view.found.to_open;
  if (plan.length === 0) return null;
  const text = [`For ticket ${view.id ?? ""}: without pressure and with the drive locked off, please look and call back.`, ...plan.map((one, at) => `${at + 1}. ${one.say}`)].join("\n");
  return (
    <Box component="section" aria-label="What to open" sx={{ mt: 1 }}>
      <strong>Nothing more can be told on the phone. What would tell, with the pump at hand or open:</strong>
      <Box component="ol" sx={{ my: 0.5, pl: 3 }}>
        {plan.map((one) => (
          <li key={one.trait}>
            {one.say}
            {one.picture && <Box>{one.picture.views.slice(0, 1).map((drawn) => <OutsideDrawing key={drawn.id} view={drawn} width={200} height={120} label={`Where: ${one.name}`} />)}</Box>}
          </li>
        ))}
      </Box>
      <Button size="small" variant="outlined" onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}>{copied ? "Copied: send it" : "Copy to send"}</Button> The ticket waits.
    </Box>
  );
}
