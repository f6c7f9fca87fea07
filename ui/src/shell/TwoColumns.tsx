import Box from "@mui/material/Box";
import type { ReactNode } from "react";

interface Props {
  /** What the right column is chosen or asked by. */
  left: ReactNode;
  leftWidth?: number;
  children: ReactNode;
}

/** What is asked stands on the left, what comes of it on the right. */
export const TwoColumns = ({ left, leftWidth = 340, children }: Props) => (
  <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: `${leftWidth}px minmax(0, 1fr)` }, gap: { xs: 1.5, md: 3 } }}>
    {left}
    <Box sx={{ minWidth: 0 }}>{children}</Box>
  </Box>
);
