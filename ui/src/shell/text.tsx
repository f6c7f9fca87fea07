import Typography from "@mui/material/Typography";
import type { ReactNode } from "react";

/** A line of less weight than what it stands under. */
export const Small = ({ children }: { children: ReactNode }) => <Typography variant="body2" component="div">{children}</Typography>;

/** What is only looked at when somebody asks. */
export const Muted = ({ children }: { children: ReactNode }) => <Typography variant="caption" component="div">{children}</Typography>;
