import { lazy, Suspense, useMemo, useState } from "react";
import { useKeys } from "./keys";

const KeyDialog = lazy(() => import("./KeyDialog").then((file) => ({ default: file.KeyDialog })));

/** The list of keys, from any page. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  useKeys(useMemo(() => ({ help: () => setOpen((now) => !now) }), []));
  return open ? <Suspense fallback={null}><KeyDialog onClose={() => setOpen(false)} /></Suspense> : null;
}
