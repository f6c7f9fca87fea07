import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import type { components } from "../api/schema";
import { Caution } from "./Caution";
import { cautionColour, surface } from "./theme";

export type Stop = components["schemas"]["Stop"];

/** A danger that stands, ahead of all else: what is done first, in the order of doing, to be read out. */
export function StopCard({ stop, children }: { stop: Stop; children?: ReactNode }) {
  return (
    <Box component="section" aria-label={`Stop: ${stop.name}`} sx={{ border: `3px solid ${cautionColour}`, borderRadius: 1, bgcolor: surface, mb: 1, overflow: "hidden" }}>
      <Caution><strong style={{ fontSize: 19 }}>{stop.sure ? `STOP: ${stop.name}.` : `Ask first: ${stop.ask}`}</strong> {stop.why}</Caution>
      <Box sx={{ px: 1.5, pb: 1 }}>
        {/* Read out once, it makes room; it stands all the same. */}
        <details open={!stop.told}>
          <summary style={{ fontWeight: 400 }}>{stop.told ? `The caller was told by ${stop.told.who}. ` : ""}{stop.words && `Said: “${stop.words}”. `}Goes on only when {stop.lifted}.</summary>
          <ol style={{ margin: "4px 0", paddingLeft: 22, fontSize: 17 }}>
            {stop.first.map((act) => <li key={act}>{act}</li>)}
          </ol>
        </details>
        {children}
      </Box>
    </Box>
  );
}
