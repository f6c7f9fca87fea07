import Box from "@mui/material/Box";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import NativeSelect from "@mui/material/NativeSelect";
import { useState } from "react";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { RingInGroove } from "../drawing/RingInGroove";
import { Fields, filled } from "./Fields";
import { KeepOnTicket } from "./KeepOnTicket";
import { SealFound } from "./SealFound";
import { useMeasured } from "./useMeasured";
import { Verdict } from "./Verdict";
import { ProblemAlert } from "../shell/ProblemAlert";
import { TwoColumns } from "../shell/TwoColumns";

type Request = components["schemas"]["MeasureSeal"];

const RING = [["inner_mm", "inside, mm"], ["outer_mm", "outside, mm"], ["section_mm", "thick, mm"], ["dash", "or dash number"]] as const;
const LIP = [["inner_mm", "inside, mm"], ["outer_mm", "outside, mm"], ["height_mm", "high, mm"]] as const;
const GLAND = [["g_inner_mm", "groove inside"], ["g_outer_mm", "groove outside"], ["g_width_mm", "groove width"], ["g_gap_mm", "gap, one side"], ["pressure", "pressure, bar"]] as const;

/** A ring or a lip seal: what it is, what fits in its place, and in which groove. */
export function SealBench({ ticket, start }: { ticket: number | null; start: Record<string, string> }) {
  const [typed, setTyped] = useState<Record<string, string>>(start);
  const type = (id: string, text: string) => setTyped((now) => ({ ...now, [id]: text }));
  const request = asked(typed);
  const empty = Object.keys(filled(typed, [...RING, ...LIP, ...GLAND])).length === 0;
  const { data, error } = useMeasured("seal", request, empty, (body) => told(api.POST("/api/measure/seal", { body })));
  const found = data ? [...data.on_file, ...data.standard] : [];
  const best = found.find((one) => one.label === data?.verdict.name);
  return (
    <TwoColumns
      left={
        <Box component="form" aria-label="What was measured" onSubmit={(event) => event.preventDefault()} sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignContent: "start", alignItems: "center" }}>
          <NativeSelect value={typed.kind ?? "ring"} onChange={(event) => type("kind", event.target.value)} inputProps={{ "aria-label": "What it is" }} sx={{ width: 150 }}>
            <option value="ring">an O-ring</option>
            <option value="lip">a lip or U-seal</option>
          </NativeSelect>
          <NativeSelect value={typed.tool ?? "caliper"} onChange={(event) => type("tool", event.target.value)} inputProps={{ "aria-label": "Measured with" }} sx={{ width: 150 }}>
            <option value="caliper">by caliper</option>
            <option value="rule">by rule</option>
            <option value="tape">by tape</option>
          </NativeSelect>
          <Fields fields={typed.kind === "lip" ? LIP : RING} typed={typed} onType={type} first />
          <FormControlLabel control={<Checkbox checked={typed.old === "yes"} onChange={(event) => type("old", event.target.checked ? "yes" : "")} />} label="it has been in use" sx={{ flexBasis: "100%" }} />
          {typed.kind !== "lip" && (
            <>
              <h2 style={{ fontSize: 16, margin: "4px 0 0", flexBasis: "100%" }}>The groove, if it can be measured</h2>
              <Fields fields={GLAND} typed={typed} onType={type} />
              <NativeSelect value={typed.seat ?? "piston"} onChange={(event) => type("seat", event.target.value)} inputProps={{ "aria-label": "Cut in" }} sx={{ width: 150 }}>
                <option value="piston">cut in the piston</option>
                <option value="housing">cut in the housing</option>
              </NativeSelect>
              <FormControlLabel control={<Checkbox checked={typed.moving === "yes"} onChange={(event) => type("moving", event.target.checked ? "yes" : "")} />} label="it moves" />
            </>
          )}
        </Box>
      }
    >
      {empty && <p>Two sizes of a ring say the third. A dash number, or the groove alone, will do as well. Every field takes mm, inches and fractions.</p>}
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Verdict aside={data.told}>{data.verdict.name ? `${data.verdict.name}. ` : ""}{data.verdict.words}</Verdict>
          {best?.drawing && <RingInGroove slice={best.drawing} name={best.label} />}
          {best?.backup_why && <p>{best.backup_why}</p>}
          <KeepOnTicket ticket={ticket} what="seal" request={request} />
          <SealFound name="What the catalogue has" found={data.on_file} ticket={ticket} />
          <SealFound name="Standard sizes" found={data.standard} />
        </>
      )}
    </TwoColumns>
  );
}

function asked(typed: Record<string, string>): Request {
  const gland = filled(typed, GLAND);
  const inGroove = Object.keys(gland).length > 0 && typed.kind !== "lip";
  return {
    kind: typed.kind === "lip" ? "lip" : "ring",
    ...filled(typed, typed.kind === "lip" ? LIP : RING),
    ...(typed.tool && { tool: typed.tool === "rule" || typed.tool === "tape" ? typed.tool : "caliper" }),
    ...(typed.old === "yes" && { old: true }),
    ...(inGroove && {
      gland: {
        inner_mm: gland.g_inner_mm ?? "", outer_mm: gland.g_outer_mm ?? "", width_mm: gland.g_width_mm ?? "",
        ...(gland.g_gap_mm && { gap_mm: gland.g_gap_mm }), ...(gland.pressure && { pressure: gland.pressure }),
        moving: typed.moving === "yes", seat: typed.seat === "housing" ? "housing" : "piston",
      },
    }),
  };
}
