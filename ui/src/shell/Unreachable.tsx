import Box from "@mui/material/Box";
import { useReachable } from "../api/reachability";
import { ink, surface } from "./theme";

/** Said on every page while the server does not answer. */
export function Unreachable() {
  if (useReachable()) return null;
  return (
    <Box role="alert" sx={{ position: "fixed", insetInline: 0, bottom: 0, zIndex: "tooltip", bgcolor: ink, color: surface, fontWeight: 700, fontSize: 17, px: 2.5, py: 1.25 }}>
      ▸ Gimlet does not answer. What you typed is tried again for a while, then stands in its field.
    </Box>
  );
}
