import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMemo, useState } from "react";
import { KeyList } from "./KeyList";
import { useKeys } from "./keys";

/** The list of keys, from any page. */
export function KeyHelp() {
  const [open, setOpen] = useState(false);
  useKeys(useMemo(() => ({ help: () => setOpen((now) => !now) }), []));
  if (!open) return null;
  return (
    <Dialog open onClose={() => setOpen(false)} maxWidth="md" fullWidth aria-labelledby="keys">
      <DialogTitle id="keys">Keys</DialogTitle>
      <DialogContent>
        <KeyList />
        <Button autoFocus onClick={() => setOpen(false)}>F1 · close</Button>
      </DialogContent>
    </Dialog>
  );
}
