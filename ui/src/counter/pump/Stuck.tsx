import Box from "@mui/material/Box";
import type { TicketView } from "../../api/types";
import { percent, price } from "../../shell/format";

/** Nothing more can be asked: what is left between, what a wrong choice costs, and the ways that are still open. */
export function Stuck({ view }: { view: TicketView }) {
  const { open } = view.tray;
  return (
    <Box component="section" aria-label="Nothing more to ask" sx={{ border: "2px solid", borderColor: "secondary.main", borderRadius: 1, p: 1.25, mb: 1 }}>
      <strong>No question would tell more.</strong>
      <ul>
        {open.map((own, index) => (
          <li key={own.id}>
            option {String.fromCharCode(65 + index)}, {own.id}: {percent(own.probability)}
            {index > 0 && `; if it is right, ${price(own.wasted_cents)} of option A would be bought in vain`}
          </li>
        ))}
      </ul>
      Ask for a photo of the plate and the front, or for an old part: then choose so above. Or take a pump by hand, or save with a reason.
    </Box>
  );
}
