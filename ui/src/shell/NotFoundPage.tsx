import Box from "@mui/material/Box";
import { Link, useLocation } from "react-router";
import { petrol } from "./theme";
import { TopBar } from "./TopBar";

/** An address that nothing is at. */
export function NotFoundPage() {
  const { pathname } = useLocation();
  return (
    <>
      <TopBar />
      <Box component="main" sx={{ maxWidth: 1100, mx: "auto", px: 2.5, py: 2, fontSize: 17 }}>
        <h1 style={{ fontSize: 24, margin: "0 0 8px" }}>There is no page at {pathname}</h1>
        <p>Begin a <Link to="/" reloadDocument style={{ color: petrol }}>new ticket</Link>, or find an <Link to="/orders" style={{ color: petrol }}>order or a ticket</Link>.</p>
      </Box>
    </>
  );
}
