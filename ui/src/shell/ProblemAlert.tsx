import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** What went wrong, and what to do about it. */
export const ProblemAlert = ({ children }: { children: ReactNode }) => (
  <Box role="alert" sx={{ flexBasis: "100%", fontWeight: 700, my: 0.5, whiteSpace: "pre-line" }}>▸ {children}</Box>
);
