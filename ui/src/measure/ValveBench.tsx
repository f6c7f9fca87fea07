import Box from "@mui/material/Box";
import NativeSelect from "@mui/material/NativeSelect";
import { useState } from "react";
import { Link } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { here, price } from "../shell/format";
import { Fields, filled } from "./Fields";
import { GoesAlong } from "./GoesAlong";
import { useMeasured } from "./useMeasured";
import { Verdict } from "./Verdict";
import { Muted, Small } from "../shell/text";
import { ProblemAlert } from "../shell/ProblemAlert";
import { TwoColumns } from "../shell/TwoColumns";

type Request = components["schemas"]["ChooseValve"];
type Choice = components["schemas"]["ValveChoice"];

const NEED = [["pump", "pump"], ["instead_of", "in place of valve"], ["flow", "flow"], ["pressure", "wanted pressure"], ["inlet_port", "inlet thread"], ["outlet_port", "outlet thread"], ["temperature", "water, °C"]] as const;

/** An unloader or regulating valve by what it must do, or in the place of another. */
export function ValveBench({ ticket, start }: { ticket: number | null; start: Record<string, string> }) {
  const [typed, setTyped] = useState<Record<string, string>>(start);
  const type = (id: string, text: string) => setTyped((now) => ({ ...now, [id]: text }));
  const request: Request = { ...filled(typed, NEED), ...(typed.on_shut === "unloads" || typed.on_shut === "bypasses" ? { on_shut: typed.on_shut } : {}) };
  const { data, error } = useMeasured("valves", request, Object.keys(request).length === 0, (body) => told(api.POST("/api/measure/valves", { body })));
  return (
    <TwoColumns
      left={
        <Box component="form" aria-label="What it must do" onSubmit={(event) => event.preventDefault()} sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignContent: "start", "& a": { color: "primary.main" } }}>
          <Fields fields={NEED} typed={typed} onType={type} first />
          <NativeSelect value={typed.on_shut ?? ""} onChange={(event) => type("on_shut", event.target.value)} inputProps={{ "aria-label": "When the gun shuts" }} sx={{ width: 308 }}>
            <option value="">gun shuts: either way</option>
            <option value="unloads">gun shuts: it unloads</option>
            <option value="bypasses">gun shuts: it bypasses at pressure</option>
          </NativeSelect>
          <p>A valve is rebuilt like a pump: <Link to={ticket === null ? "/" : `/tickets/${ticket}`}>name it on a ticket</Link> for its kits and its card.</p>
        </Box>
      }
    >
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Verdict>{data.verdict}</Verdict>
          <Box component="ul" aria-label="Valves" sx={{ listStyle: "none", m: 0, p: 0, display: "grid", gap: 0.75 }}>{data.choices.map((one) => <Valve key={one.model} choice={one} ticket={ticket} />)}</Box>
        </>
      )}
    </TwoColumns>
  );
}

function Valve({ choice, ticket }: { choice: Choice; ticket: number | null }) {
  return (
    <Box component="li" sx={{ bgcolor: "background.paper", px: 1.5, py: 0.75 }}>
      <strong>{choice.maker} {choice.model}</strong> {choice.words}{choice.number && choice.price_cents !== null ? ` · whole: ${choice.number}, ${price(choice.price_cents)}, ${here(choice)}` : ""}
      <GoesAlong ticket={choice.price_cents === null ? null : ticket} number={choice.number} why={`valve that ${choice.words}`} />
      <Small>{choice.points.map((one) => one.says).join(" · ")}</Small>
      {choice.differs.length > 0 && <Muted>{choice.differs.join(" · ")}</Muted>}
      <Muted>kits: {choice.kits.map((kit) => `${kit.number} ${kit.name}${kit.price_cents === null ? "" : `, ${price(kit.price_cents)}, ${here(kit)}`}`).join(" · ")}</Muted>
    </Box>
  );
}
