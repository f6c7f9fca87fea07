import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { type FormEvent, useState } from "react";
import { useVocabulary } from "../api/queries";
import type { components } from "../api/schema";
import type { OrderSteps } from "./useOrderSteps";

type Reason = components["schemas"]["TakeBackStep"]["because"];

/** A piece comes back, for one of the reasons that figures and learning count. */
export function TakeBackForm({ steps }: { steps: OrderSteps }) {
  const reasons = useVocabulary().data?.return_reasons ?? [];
  const out = steps.order.goods.filter((good) => good.out > 0);
  const [number, setNumber] = useState("");
  const [quantity, setQuantity] = useState("1");
  const [because, setBecause] = useState<Reason | "">("");
  const [shelf, setShelf] = useState(true);
  const chosen = out.some((good) => good.number === number) ? number : out[0]?.number ?? "";
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (because !== "") void steps.step({ kind: "take_back", number: chosen, quantity: Number(quantity), because, to_shelf: shelf && because !== "faulty" });
  };
  return (
    <Box component="form" onSubmit={send} aria-label="Take back" sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "center", my: 1 }}>
      <TextField select size="small" label="came back" value={chosen} onChange={(event) => setNumber(event.target.value)} sx={{ width: 320 }}>
        {out.map((good) => <MenuItem key={good.number} value={good.number}>{good.out} out: {good.number} {good.name}</MenuItem>)}
      </TextField>
      <TextField size="small" label="how many" value={quantity} onChange={(event) => setQuantity(event.target.value)} sx={{ width: 90 }} slotProps={{ htmlInput: { inputMode: "numeric", maxLength: 4 } }} />
      <TextField select size="small" label="why did it come back?" value={because} onChange={(event) => setBecause(event.target.value as Reason)} sx={{ width: 260 }}>
        {reasons.map((one) => <MenuItem key={one.id} value={one.id}>{one.name}</MenuItem>)}
      </TextField>
      <FormControlLabel control={<Checkbox checked={shelf && because !== "faulty"} disabled={because === "faulty"} onChange={(event) => setShelf(event.target.checked)} />} label="back on the shelf" />
      <Button type="submit" variant="outlined" disabled={steps.busy || because === ""}>Take back</Button>
    </Box>
  );
}
