import Box from "@mui/material/Box";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { bar, onBar } from "./theme";
import { WhoIsIn } from "./Till";
import { useMay } from "./useSession";

const linkStyle = { color: onBar, textDecoration: "none", fontWeight: 700, padding: "4px 10px", borderRadius: 4, whiteSpace: "nowrap" } as const;

export function TopBar({ children }: { children?: ReactNode }) {
  const may = useMay();
  return (
    <Box component="header" className="no-print" sx={{ bgcolor: bar, color: onBar, display: "flex", alignItems: "center", columnGap: 2, flexWrap: "wrap", px: { xs: 1, sm: 2.5 }, minHeight: 52 }}>
      <Link to="/" reloadDocument style={{ ...linkStyle, fontSize: 21, paddingLeft: 0 }} aria-label={may("openTicket") ? "Gimlet, new ticket" : "Gimlet, where you begin"}>
        gimlet
      </Link>
      <Box sx={{ flex: 1, minWidth: 0, display: "flex", alignItems: "center", columnGap: 1.5, flexWrap: "wrap" }}>{children}</Box>
      <WhoIsIn />
      <nav aria-label="Main" style={{ display: "flex", flexWrap: "wrap", gap: 4 }}>
        {may("openTicket") && <Link to="/" reloadDocument style={linkStyle}>New ticket</Link>}
        <Link to="/orders" style={linkStyle}>Orders</Link>
        <Link to="/catalogue" style={linkStyle}>Catalogue</Link>
        <Link to="/measure/seal" style={linkStyle}>Measure</Link>
        <Link to="/desk/today" style={linkStyle}>Desk</Link>
      </nav>
    </Box>
  );
}
