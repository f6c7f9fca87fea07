import Box from "@mui/material/Box";
import { NavLink, useParams, useSearchParams } from "react-router";
import { paper, petrol } from "../shell/theme";
import { TopBar } from "../shell/TopBar";
import { FlowBench } from "./FlowBench";
import { MaterialBench } from "./MaterialBench";
import { SealBench } from "./SealBench";
import { ValveBench } from "./ValveBench";

const BENCHES = { seal: { name: "A seal by its size", show: SealBench }, flow: { name: "Flow, pressure, nozzle", show: FlowBench }, valves: { name: "Unloaders", show: ValveBench }, materials: { name: "Materials", show: MaterialBench } };
type Bench = keyof typeof BENCHES;
const isBench = (what: string): what is Bench => what in BENCHES;

/** The measuring bench. Opened from a ticket it starts with what is known there, and what it finds can be kept on it. */
export function MeasurePage() {
  const { what = "seal" } = useParams();
  const [search] = useSearchParams();
  const ticket = search.get("ticket");
  const rest = search.toString() ? `?${search.toString()}` : "";
  if (!isBench(what)) return <TopBar />;
  const Show = BENCHES[what].show;
  return (
    <>
      <TopBar />
      <Box component="main" sx={{ maxWidth: 1400, mx: "auto", px: 2.5, py: 1.5 }}>
        <Box component="nav" aria-label="Benches" sx={{ display: "flex", gap: 1, alignItems: "center", mb: 1.5 }}>
          {Object.entries(BENCHES).map(([id, one]) => (
            <NavLink key={id} to={`/measure/${id}${rest}`} style={({ isActive }) => ({ padding: "6px 12px", borderRadius: 4, textDecoration: "none", fontWeight: 700, color: isActive ? paper : petrol, background: isActive ? petrol : "transparent" })}>
              {one.name}
            </NavLink>
          ))}
          {ticket && <span>for ticket {ticket}</span>}
        </Box>
        <Show key={what} ticket={ticket === null ? null : Number(ticket)} start={Object.fromEntries(search)} />
      </Box>
    </>
  );
}
