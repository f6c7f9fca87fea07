import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import LinearProgress from "@mui/material/LinearProgress";
import type { LiveUpload } from "./useUpload";
import { ProblemAlert } from "../shell/ProblemAlert";

const WORDS = { waiting: "Waiting for its turn", reading: "Reading", taking: "Taking what was agreed" } as Record<string, string>;

/** How far a file has come, the way to give it up, and what was wrong with it. */
export function UploadProgress({ live }: { live: LiveUpload }) {
  const { upload, busy, problem } = live;
  const counted = upload?.done && upload.of ? `: ${upload.done.toLocaleString()} of about ${upload.of.toLocaleString()} lines` : "";
  return (
    <>
      {busy && (
        <Box sx={{ my: 1, display: "grid", gap: 0.5, maxWidth: 520 }}>
          <Box role="status">{upload ? WORDS[upload.state] : "Sending"} {live.name}{counted} …</Box>
          <LinearProgress aria-label="At work" {...(upload?.done && upload.of ? { variant: "determinate", value: Math.min((100 * upload.done) / upload.of, 100) } : {})} />
          {upload && upload.state !== "taking" && <Button size="small" onClick={live.giveUp} sx={{ justifySelf: "start" }}>Give it up</Button>}
        </Box>
      )}
      {problem && !busy && <ProblemAlert>{problem}</ProblemAlert>}
    </>
  );
}
