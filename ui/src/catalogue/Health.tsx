import Box from "@mui/material/Box";
import { useState } from "react";
import type { components } from "../api/schema";
import { Muted } from "../shell/text";

type SeriesHealth = components["schemas"]["SeriesHealth"];
const FEW = 12;

/** How far the series can be trusted, what has no source, and what the doctor says. */
export function Health({ health }: { health: SeriesHealth }) {
  const [all, setAll] = useState(false);
  const shown = all ? health.unsourced : health.unsourced.slice(0, FEW);
  return (
    <>
      <h2>Sources and doubts: {health.figure} of 100</h2>
      <p>{health.sourced} of {health.entries} entries have a source; {health.read_twice} of {health.to_read_twice} torques, kits and stacks were read by two people.</p>
      {health.unsourced.length > 0 && (
        <p>
          <strong>Without a source:</strong> {shown.join(", ")}
          {health.unsourced.length > FEW && !all && <button type="button" onClick={() => setAll(true)}>and {health.unsourced.length - FEW} more</button>}
        </p>
      )}
      {health.remarks.length === 0 ? <Muted>Nothing looks wrong.</Muted> : (
        <Box component="ul" aria-label="What looks wrong">{health.remarks.map((one) => <li key={`${one.place} ${one.text}`}><strong>{one.place}</strong> {one.text}</li>)}</Box>
      )}
    </>
  );
}
