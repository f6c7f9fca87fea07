import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { TopBar } from "./TopBar";

/** A card is read at arm's length. */
const KINDS = { wide: { maxWidth: 1400 }, card: { maxWidth: 1180, fontSize: 19 }, text: { maxWidth: 1100 } };

interface Props {
  /** What stands in the bar. */
  head?: ReactNode;
  kind?: keyof typeof KINDS;
  children: ReactNode;
}

/** A page: the bar, and below it what it is about. */
export const Page = ({ head, kind = "wide", children }: Props) => (
  <>
    <TopBar>{head}</TopBar>
    <Box component="main" sx={{ ...KINDS[kind], mx: "auto", px: 2.5, py: 2 }}>{children}</Box>
  </>
);
