import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { useStale } from "../api/stale";
import { ProblemAlert } from "../shell/ProblemAlert";

type NewPrice = components["schemas"]["NewPrice"];

const EMPTY = { number: "", price: "", on_hand: "", pack: "1" };
const FIELDS = [["number", 150], ["price", 110], ["on_hand", 120], ["pack", 80]] as const;
const LABELS = { number: "number", price: "price", on_hand: "here now", pack: "pack" };

/** One number's price and shelf. What was typed stays when it is refused. */
export function PriceForm() {
  const [typed, setTyped] = useState(EMPTY);
  const stale = useStale();
  const put = useMutation({
    mutationFn: (body: NewPrice) => told(api.POST("/api/prices", { body })),
    onSuccess: () => {
      setTyped(EMPTY);
      stale("stock");
    },
  });
  const send = (event: FormEvent) => {
    event.preventDefault();
    put.mutate(typed);
  };
  return (
    <Box component="form" onSubmit={send} aria-label="Change a price" sx={{ display: "flex", gap: 1, flexWrap: "wrap", alignItems: "start" }}>
      {FIELDS.map(([field, width]) => (
        <TextField key={field} size="small" label={LABELS[field]} value={typed[field]} onChange={(event) => setTyped({ ...typed, [field]: event.target.value })} sx={{ width }} slotProps={{ htmlInput: { maxLength: field === "number" ? 40 : 30 } }} />
      ))}
      <Button type="submit" variant="outlined" disabled={put.isPending || typed.number === ""}>Change the price</Button>
      {put.error && <ProblemAlert>{put.error.message}</ProblemAlert>}
      {put.data && !put.isPending && <Box role="status" sx={{ flexBasis: "100%" }}>{put.data.number} is changed.</Box>}
    </Box>
  );
}
