import Box from "@mui/material/Box";
import type { ReactNode } from "react";

/** What may be wider than a small screen scrolls by itself, by keyboard too; the page does not. */
export const Wide = ({ name, children }: { name: string; children: ReactNode }) => (
  <Box role="region" aria-label={name} tabIndex={0} sx={{ overflowX: "auto", position: "relative" }}>{children}</Box>
);
