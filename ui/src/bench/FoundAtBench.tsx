import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import type { Bench } from "../api/types";
import { price } from "../shell/format";

/** What was found at the bench, and what the order would be with it; it waits to be agreed at the counter. */
export function FoundAtBench({ found, children }: { found: Bench["found"]; children?: ReactNode }) {
  if (found.findings.length === 0) return null;
  const waiting = found.findings.some((one) => !one.taken);
  return (
    <Box component="section" aria-label="Found at the bench" sx={{ border: "2px solid", borderColor: "secondary.main", borderRadius: 1, px: 1.5, py: 1, my: 1 }}>
      <strong>Found at the bench</strong>{waiting ? ": waits to be agreed at the counter." : ": agreed."}
      <ul>{found.findings.map((one) => <li key={one.text}>{one.text} <span style={{ fontSize: 15 }}>({one.who}{one.taken ? ", on the ticket" : ""})</span></li>)}</ul>
      {waiting && (found.changes.length > 0
        ? <><ul>{found.changes.map((one) => <li key={one.text}>{one.text}</li>)}</ul><strong>{found.cents >= 0 ? "+" : "−"}{price(Math.abs(found.cents))}</strong></>
        : <p>It changes no part of the order.</p>)}
      {found.note && <p>{found.note}</p>}
      {waiting && children}
    </Box>
  );
}
