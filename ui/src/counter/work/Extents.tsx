import Box from "@mui/material/Box";
import FormControlLabel from "@mui/material/FormControlLabel";
import Radio from "@mui/material/Radio";
import RadioGroup from "@mui/material/RadioGroup";
import type { Extent, TicketView } from "../../api/types";
import { price } from "../../shell/format";
import type { LiveTicket } from "../../ticket/useTicket";
import { Small } from "../../shell/text";

/** How far the work goes: each school with its cost and its warning. */
export function Extents({ ticket, extents }: { ticket: LiveTicket; extents: TicketView["extents"] }) {
  if (extents.length === 0) return null;
  const chosen = extents.find((one) => one.chosen);
  // Three ways that come to the same are one.
  if (new Set(extents.map((one) => `${one.price_cents} ${one.pieces} ${one.unfilled}`)).size === 1 && chosen?.id === extents[0]!.id) return null;
  return (
    <Box>
      <Box id="extent" sx={{ fontWeight: 700 }}>How far</Box>
      <RadioGroup aria-labelledby="extent" value={chosen?.id ?? ""}
        onChange={(event) => void ticket.add("Work", { kind: "extent", extent: event.target.value as Extent })}>
        {extents.map((one) => (
          <FormControlLabel key={one.id} value={one.id} control={<Radio size="small" sx={{ py: 0.5 }} />}
            label={`${one.name}: ${price(one.price_cents)}, ${one.pieces} ${one.pieces === 1 ? "piece" : "pieces"}${one.unfilled > 0 ? `, ${one.unfilled} ${one.unfilled === 1 ? "part" : "parts"} not covered` : ""}`} />
        ))}
      </RadioGroup>
      {chosen?.warning && <Small>{chosen.warning}</Small>}
    </Box>
  );
}
