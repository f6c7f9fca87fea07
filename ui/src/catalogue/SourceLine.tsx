import { Muted } from "../shell/text";

/** Where something was read, and how often; or that nobody says. */
export const SourceLine = ({ source, checked }: { source: string | null; checked?: string | null }) => (
  <Muted>{source ?? <strong>no source on file</strong>}{checked ? ` · ${checked}` : ""}</Muted>
);
