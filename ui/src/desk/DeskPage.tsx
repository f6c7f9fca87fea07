import Box from "@mui/material/Box";
import type { ComponentType } from "react";
import { NavLink, useParams } from "react-router";
import { petrol, paper } from "../shell/theme";
import { TopBar } from "../shell/TopBar";
import { CatalogueDesk } from "./CatalogueDesk";
import { Copies } from "./Copies";
import { HistoryDesk } from "./HistoryDesk";
import { People } from "./People";
import { Prices } from "./Prices";

interface Part {
  name: string;
  show: ComponentType;
}

/** What is looked after away from the counter; who may do it, the server says. */
const PARTS: Record<string, Part> = {
  prices: { name: "Prices and stock", show: Prices },
  catalogue: { name: "Catalogue", show: CatalogueDesk },
  people: { name: "People and scripts", show: People },
  history: { name: "Who did what", show: HistoryDesk },
  copies: { name: "Health and copies", show: Copies },
};

export function DeskPage() {
  const { part = "prices" } = useParams();
  const open = PARTS[part];
  return (
    <>
      <TopBar />
      <Box component="main" sx={{ maxWidth: 1400, mx: "auto", px: 2.5, py: 2, display: "grid", gridTemplateColumns: "210px minmax(0, 1fr)", gap: 3 }}>
        <Box component="nav" aria-label="Desk" sx={{ display: "grid", gap: 0.5, alignContent: "start" }}>
          {Object.entries(PARTS).map(([id, one]) => (
            <NavLink key={id} to={`/desk/${id}`} style={({ isActive }) => ({ padding: "7px 10px", borderRadius: 4, textDecoration: "none", fontWeight: 700, color: isActive ? paper : petrol, background: isActive ? petrol : "transparent" })}>
              {one.name}
            </NavLink>
          ))}
        </Box>
        <Box component="section" aria-label={open?.name} sx={{ minWidth: 0 }}>
          <h1 style={{ fontSize: 20, margin: "0 0 8px" }}>{open?.name ?? "There is no such part of the desk."}</h1>
          {open && <open.show />}
        </Box>
      </Box>
    </>
  );
}
