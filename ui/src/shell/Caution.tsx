import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { cautionColour, onCaution } from "./theme";

/** The only thing on screen in the caution colour; the sign says it without colour too. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <Box sx={{ display: "flex", gap: 1, bgcolor: cautionColour, color: onCaution, px: 1.25, py: 0.75, borderRadius: 1, mb: 0.5 }}>
      <svg width="20" height="20" viewBox="0 0 20 20" role="img" aria-label="Caution" style={{ flexShrink: 0, marginTop: 1 }}>
        <path d="M10 2 19 18H1Z" fill="none" stroke={onCaution} strokeWidth="2" strokeLinejoin="round" />
        <path d="M10 8v5M10 15v1.2" stroke={onCaution} strokeWidth="2" />
      </svg>
      <span>{children}</span>
    </Box>
  );
}
