import type { ReactNode } from "react";
import { NavLink } from "react-router";
import { onPetrol, petrol } from "./theme";

/** A way to a neighbouring place of the interface; the one that is open is filled. */
export const PlaceLink = ({ to, children }: { to: string; children: ReactNode }) => (
  <NavLink to={to} style={({ isActive }) => ({ padding: "6px 12px", borderRadius: 4, textDecoration: "none", fontWeight: 700, color: isActive ? onPetrol : petrol, background: isActive ? petrol : "transparent" })}>
    {children}
  </NavLink>
);
