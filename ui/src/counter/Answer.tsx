import Box from "@mui/material/Box";
import ButtonBase from "@mui/material/ButtonBase";
import type { ReactNode } from "react";
import { ink, onPetrol, petrol, rule } from "../shell/theme";

interface Props {
  number: number;
  name: string;
  summary: string;
  settled: boolean;
  open: boolean;
  onOpen: () => void;
  children: ReactNode;
}

/** One answer of the stack. A filled number is settled, an open one is not. */
export function Answer({ number, name, summary, settled, open, onOpen, children }: Props) {
  return (
    <Box component="section" aria-label={name} sx={{ bgcolor: "background.paper", mb: 0.75, borderLeft: `6px solid ${open ? petrol : rule}`, borderRadius: 1 }}>
      <h2 style={{ margin: 0 }}>
        <ButtonBase onClick={onOpen} aria-expanded={open} sx={{ width: "100%", justifyContent: "flex-start", gap: 1.5, px: 1.5, py: 0.9, font: "inherit", fontSize: 17, color: ink, textAlign: "left" }}>
          <Box component="span" aria-label={settled ? `${number}, settled` : `${number}, open`} role="img"
            sx={{ width: 28, height: 28, flexShrink: 0, borderRadius: "50%", display: "grid", placeItems: "center", fontWeight: 700, fontSize: 15,
              border: `2px ${settled ? "solid" : "dashed"} ${petrol}`, bgcolor: settled ? petrol : "transparent", color: settled ? onPetrol : petrol }}>
            {number}
          </Box>
          <Box component="span" sx={{ fontWeight: 700, width: 104, flexShrink: 0 }}>{name}</Box>
          <Box component="span" sx={{ fontWeight: 400, fontSize: 16, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>{summary}</Box>
        </ButtonBase>
      </h2>
      {open && <Box sx={{ px: 2, pb: 1.75 }}>{children}</Box>}
    </Box>
  );
}
