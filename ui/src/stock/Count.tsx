import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../api/client";
import { useStale } from "../api/stale";
import { Scanner } from "../orders/Scanner";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Small } from "../shell/text";
import { freshKey } from "../ticket/key";

/** Counting by scan: every piece once. Where the count is not what the ledger says, it is explained before it is booked. */
export function Count() {
  const [counts, setCounts] = useState<Record<string, number>>({});
  const [reasons, setReasons] = useState<Record<string, string>>({});
  const stale = useStale();
  const lines = Object.entries(counts).map(([number, counted]) => ({ number, counted }));
  const looking = useMutation({ mutationFn: () => told(api.POST("/api/counts/look", { body: { lines } })) });
  const differences = looking.data?.differences ?? [];
  const booking = useMutation({
    mutationFn: () => told(api.POST("/api/counts", { body: { key: freshKey(), lines: differences.map((one) => ({ number: one.number, counted: one.counted, was: one.was, why: reasons[one.number] ?? null })) } })),
    onSuccess: () => {
      setCounts({});
      setReasons({});
      looking.reset();
      stale("stock");
    },
  });
  const scan = async (code: string) => {
    const number = code.trim().toUpperCase();
    // Asked of the server once: what is on no price list is not counted, and it says why.
    const refused = number in counts ? null : await told(api.GET("/api/stock/{number}", { params: { path: { number } } })).then(() => null, (error: Error) => error.message);
    if (refused !== null) return { taken: false, said: refused };
    const counted = (counts[number] ?? 0) + 1;
    setCounts({ ...counts, [number]: counted });
    looking.reset();
    return { taken: true, said: `${number}: ${counted}` };
  };
  const problem = looking.error ?? booking.error;
  return (
    <Box component="section" aria-label="Count" sx={{ bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, p: 1.5, mb: 1.5 }}>
      <Scanner label="Scan every piece on the shelf" codes={Object.keys(counts)} onCode={scan} />
      <Box sx={{ display: "flex", gap: 1, flexWrap: "wrap" }}>
        {lines.map(({ number, counted }) => (
          <TextField key={number} size="small" label={number} value={counted} onChange={(event) => { setCounts({ ...counts, [number]: Number(event.target.value.replace(/\D/g, "")) }); looking.reset(); }} sx={{ width: 120 }} />
        ))}
      </Box>
      {lines.length > 0 && <Button sx={{ mt: 1 }} variant="outlined" onClick={() => looking.mutate()}>Compare with the ledger</Button>}
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      {looking.data && differences.length === 0 && <p>It is all as the ledger says: nothing is to be booked.</p>}
      {differences.map((one) => (
        <Box key={one.number} sx={{ display: "flex", gap: 1, alignItems: "center", mt: 1, flexWrap: "wrap" }}>
          <span><strong>{one.number}</strong> {one.name}: {one.counted} counted, {one.was} in the ledger ({one.change > 0 ? "+" : ""}{one.change})</span>
          <TextField size="small" label={`why, ${one.number}`} value={reasons[one.number] ?? ""} onChange={(event) => setReasons({ ...reasons, [one.number]: event.target.value })} sx={{ width: 260 }} slotProps={{ htmlInput: { maxLength: 400 } }} />
          {one.promised > 0 && <Small>{one.promised} of them are promised: the youngest order waits again.</Small>}
        </Box>
      ))}
      {differences.length > 0 && <Button sx={{ mt: 1 }} variant="contained" onClick={() => booking.mutate()}>Book the count</Button>}
    </Box>
  );
}
