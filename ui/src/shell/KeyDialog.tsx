import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { KeyList } from "./KeyList";

export const KeyDialog = ({ onClose }: { onClose: () => void }) => (
  <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="keys">
    <DialogTitle id="keys">Keys</DialogTitle>
    <DialogContent>
      <KeyList />
      <Button autoFocus onClick={onClose}>F1 · close</Button>
    </DialogContent>
  </Dialog>
);
