import Box from "@mui/material/Box";
import { type ReactNode, useEffect } from "react";
import { KeyHelp } from "./KeyHelp";
import { TopBar } from "./TopBar";

/** A card is read at arm's length. */
const KINDS = { wide: { maxWidth: 1400 }, card: { maxWidth: 1180, fontSize: 19 }, text: { maxWidth: 1100 } };

interface Props {
  /** What the page is called, in the browser's tab and to a screen reader. */
  title: string;
  /** Whether a heading among the children says so already. */
  headed?: boolean;
  /** Whether the page answers F1 itself. */
  ownHelp?: boolean;
  /** What stands in the bar. */
  head?: ReactNode;
  kind?: keyof typeof KINDS;
  children: ReactNode;
}

/** A page: the bar, and below it what it is about. */
export function Page({ title, headed = false, ownHelp = false, head, kind = "wide", children }: Props) {
  useEffect(() => {
    document.title = `${title} · Gimlet`;
  }, [title]);
  return (
    <>
      {!ownHelp && <KeyHelp />}
      <TopBar>{head}</TopBar>
      <Box component="main" sx={{ ...KINDS[kind], mx: "auto", px: { xs: 1.25, sm: 2.5 }, py: 2 }}>
        {!headed && <h1 className="unseen">{title}</h1>}
        {children}
      </Box>
    </>
  );
}
