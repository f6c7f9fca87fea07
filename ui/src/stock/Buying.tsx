import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../api/client";
import { useStale } from "../api/stale";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { price } from "../shell/format";
import { freshKey } from "../ticket/key";
import { Purchase } from "./Purchase";
import { StandInDay } from "./StandInDay";
import { useMay } from "../shell/useSession";

const SHOWN = 20;

/** What lies below its level or is waited for, what the supplier says of it, and what was bought. */
export function Buying() {
  const stale = useStale();
  const may = useMay();
  const wanted = useQuery({ queryKey: ["to-buy"], queryFn: () => told(api.GET("/api/to-buy")) });
  const purchases = useQuery({ queryKey: ["purchases"], queryFn: () => told(api.GET("/api/purchases")) });
  const [typed, setTyped] = useState<Record<string, string>>({});
  const lines = (wanted.data?.lines ?? []).slice(0, SHOWN);
  const asking = useMutation({ mutationFn: () => told(api.POST("/api/supplier", { body: { numbers: lines.map((line) => line.number) } })) });
  const quantity = (line: (typeof lines)[number]) => Number(typed[line.number] ?? line.buy);
  const writing = useMutation({
    mutationFn: () => told(api.POST("/api/purchases", { body: { key: freshKey(), lines: lines.filter((line) => quantity(line) > 0).map((line) => ({ number: line.number, quantity: quantity(line) })) } })),
    onSuccess: () => {
      setTyped({});
      stale("purchase");
    },
  });
  const says = (number: string) => {
    const one = asking.data?.lines.find((line) => line.number === number);
    return one ? `${one.available} there, ${price(one.price_cents)}, ${one.days} days` : "";
  };
  const problem = wanted.error ?? writing.error ?? asking.error;
  return (
    <>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      {asking.data?.problem && <ProblemAlert>{asking.data.problem}</ProblemAlert>}
      {wanted.data && lines.length === 0 && <p>Nothing lies below its level, and no order waits.</p>}
      {lines.length > 0 && (
        <>
          <Table
            name="To buy"
            headings={["number", "what", "waited for", "free", "to come", "level", "sold in 90 days", "the supplier says", "buy"]}
            right={[2, 3, 4, 5, 6]}
            rows={lines.map((line) => [
              <strong key="number">{line.number}</strong>, line.name, line.waiting || "", line.free, line.to_come || "", line.level === line.worked_out ? line.level : `${line.level} by hand`, line.sold, says(line.number),
              <TextField key="buy" size="small" value={typed[line.number] ?? String(line.buy)} onChange={(event) => setTyped({ ...typed, [line.number]: event.target.value })} sx={{ width: 70 }} slotProps={{ htmlInput: { "aria-label": `Buy ${line.number}`, maxLength: 5 } }} />,
            ])}
          />
          <Box sx={{ display: "flex", gap: 1, my: 1 }}>
            {wanted.data?.linked && <Button variant="outlined" disabled={asking.isPending} onClick={() => asking.mutate()}>Ask the supplier</Button>}
            {may("writePurchase") && <Button variant="contained" disabled={writing.isPending} onClick={() => writing.mutate()}>Write the purchase</Button>}
          </Box>
        </>
      )}
      {wanted.data?.day && may("supplierDay") && <StandInDay day={wanted.data.day} />}
      <h2>Purchases</h2>
      {purchases.data?.length === 0 && <p>None yet.</p>}
      {purchases.data?.map((one) => <Purchase key={one.id} purchase={one} linked={wanted.data?.linked ?? false} />)}
    </>
  );
}
