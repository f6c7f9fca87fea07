import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { price } from "../shell/format";
import type { OrderSteps } from "./useOrderSteps";

/** What it comes to, line by line as it is reckoned. */
export function Money({ steps }: { steps: OrderSteps }) {
  const { total, may } = steps.order;
  const [percent, setPercent] = useState("");
  const rows: [string, number][] = [
    ["goods", total.net_cents],
    ...(total.discount_cents > 0 ? [[`less ${total.discount} %`, -total.discount_cents] as [string, number]] : []),
    ...(Number(total.tax) > 0 ? [...(total.discount_cents > 0 ? [["without tax", total.base_cents] as [string, number]] : []), [`tax, ${total.tax} %`, total.tax_cents]] as [string, number][] : []),
  ];
  return (
    <Box component="section" aria-label="Total" sx={{ width: 260, flexShrink: 0 }}>
      {rows.map(([name, cents]) => <Box key={name} sx={{ display: "flex", justifyContent: "space-between" }}><span>{name}</span><span>{price(cents)}</span></Box>)}
      <Box sx={{ display: "flex", justifyContent: "space-between", borderTop: "2px solid", fontWeight: 700, fontSize: 18 }}><span>to pay</span><span>{price(total.gross_cents)}</span></Box>
      {may.includes("discount") && (
        <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); void steps.step({ kind: "discount", percent }).then((taken) => taken && setPercent("")); }} sx={{ display: "flex", gap: 1, mt: 1 }}>
          <TextField size="small" label="discount, %" value={percent} onChange={(event) => setPercent(event.target.value)} sx={{ width: 130 }} slotProps={{ htmlInput: { maxLength: 10 } }} />
          <Button type="submit" size="small" variant="outlined" disabled={percent.trim() === ""}>Give it</Button>
        </Box>
      )}
    </Box>
  );
}
