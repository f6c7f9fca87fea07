import Box from "@mui/material/Box";
import NativeSelect from "@mui/material/NativeSelect";
import { useState } from "react";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { FlowCurves } from "../drawing/FlowCurves";
import { percent } from "../shell/format";
import { Fields, filled } from "./Fields";
import { FlowSums } from "./FlowSums";
import { KeepOnTicket } from "./KeepOnTicket";
import { useMeasured } from "./useMeasured";
import { Verdict } from "./Verdict";
import { ProblemAlert } from "../shell/ProblemAlert";
import { TwoColumns } from "../shell/TwoColumns";

type Request = components["schemas"]["MeasureFlow"];

const KNOWN = [["pump", "pump"], ["valve", "valve"]] as const;
const BUCKET = [["litres", "litres"], ["seconds", "in seconds"], ["b_nozzle", "nozzle number"], ["b_pressure", "pressure at the gun"], ["rated", "rated flow"], ["supply", "feed alone"], ["turns", "shaft turns"], ["rated_turns", "should turn"]] as const;
const FIGURES = [["flow", "flow"], ["pressure", "pressure"], ["nozzle", "nozzle number"], ["orifice_mm", "orifice, mm"], ["plungers", "plungers"], ["bore_mm", "plunger, mm"], ["stroke_mm", "stroke, mm"], ["pump_rpm", "pump, rpm"], ["ratio", "pulley ratio"], ["motor_rpm", "motor, rpm"], ["poles", "poles"], ["mains_hz", "mains, Hz"], ["shaft_kw", "motor, kW"], ["volumetric", "vol. efficiency"]] as const;
const SYSTEMS = { metric: {}, us: { flow: "US gpm", pressure: "psi" } } as const;

/** A bucket and a watch, or any figures that are known: the rest, and what is wrong. */
export function FlowBench({ ticket, start }: { ticket: number | null; start: Record<string, string> }) {
  const [typed, setTyped] = useState<Record<string, string>>(start);
  const type = (id: string, text: string) => setTyped((now) => ({ ...now, [id]: text }));
  const request = asked(typed);
  const empty = !request.bucket && Object.keys(request.figures ?? {}).length === 0 && !request.pump;
  const { data, error } = useMeasured("flow", request, empty, (body) => told(api.POST("/api/measure/flow", { body })));
  return (
    <TwoColumns
      left={
        <Box component="form" aria-label="What is known" onSubmit={(event) => event.preventDefault()} sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignContent: "start" }}>
          <h2 style={{ fontSize: 16, margin: 0, flexBasis: "100%" }}>A bucket and a watch</h2>
          <Fields fields={BUCKET} typed={typed} onType={type} first />
          <h2 style={{ fontSize: 16, margin: "4px 0 0", flexBasis: "100%" }}>The pump, or any figures</h2>
          <Fields fields={KNOWN} typed={typed} onType={type} />
          <Fields fields={FIGURES} typed={typed} onType={type} />
          <NativeSelect value={typed.system ?? "metric"} onChange={(event) => type("system", event.target.value)} inputProps={{ "aria-label": "Answer in" }}>
            <option value="metric">answer in bar, L/min</option>
            <option value="us">answer in psi, US gpm</option>
          </NativeSelect>
        </Box>
      }
    >
      {empty && <p>Litres and seconds with the gun open, and the pump: that tells a worn nozzle from a worn pump. Or type any figures; the rest is worked out.</p>}
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Verdict aside={data.suspects.length > 1 ? data.suspects.slice(0, 4).map((one) => `${one.name} ${percent(one.probability)}`).join(" · ") : undefined}>{data.verdict}</Verdict>
          {data.curves && <FlowCurves curves={data.curves} />}
          <KeepOnTicket ticket={ticket} what="flow" request={request} />
          <FlowSums data={data} />
        </>
      )}
    </TwoColumns>
  );
}

function asked(typed: Record<string, string>): Request {
  const figures = filled(typed, FIGURES);
  const { b_nozzle, b_pressure, litres, seconds, ...rest } = filled(typed, BUCKET);
  return {
    ...filled(typed, KNOWN),
    ...(Object.keys(figures).length > 0 && { figures }),
    ...(litres && seconds && { bucket: { litres, seconds, ...rest, ...(b_nozzle && { nozzle: b_nozzle }), ...(b_pressure && { pressure: b_pressure }) } }),
    ...(typed.signs && { signs: typed.signs.split(",") }),
    units: typed.system === "us" ? SYSTEMS.us : SYSTEMS.metric,
  };
}
