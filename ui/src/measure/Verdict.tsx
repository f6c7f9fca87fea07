import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { petrol } from "../shell/theme";

/** Read at arm's length, before anything else. */
export function Verdict({ children, aside }: { children: ReactNode; aside?: ReactNode }) {
  return (
    <Box role="status" aria-label="Verdict" sx={{ borderLeft: `8px solid ${petrol}`, bgcolor: "background.paper", px: 2, py: 1.25, mb: 1.5 }}>
      <Box sx={{ fontSize: 24, fontWeight: 700, lineHeight: 1.25 }}>{children}</Box>
      {aside && <Box sx={{ fontSize: 16, mt: 0.25 }}>{aside}</Box>}
    </Box>
  );
}
