import Box from "@mui/material/Box";
import { useParams, useSearchParams } from "react-router";
import { Page } from "../shell/Page";
import { PlaceLink } from "../shell/PlaceLink";
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
  if (!isBench(what)) return <Page title="Measure">There is no such bench.</Page>;
  const Show = BENCHES[what].show;
  return (
    <Page title={BENCHES[what].name}>
      <Box component="nav" aria-label="Benches" sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mb: 1.5 }}>
        {Object.entries(BENCHES).map(([id, bench]) => <PlaceLink key={id} to={`/measure/${id}${rest}`}>{bench.name}</PlaceLink>)}
        {ticket && <span>for ticket {ticket}</span>}
      </Box>
      <Show key={what} ticket={ticket === null ? null : Number(ticket)} start={Object.fromEntries(search)} />
    </Page>
  );
}
