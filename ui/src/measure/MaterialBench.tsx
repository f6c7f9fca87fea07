import Box from "@mui/material/Box";
import NativeSelect from "@mui/material/NativeSelect";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { api, told } from "../api/client";
import { useVocabulary } from "../api/queries";
import type { components } from "../api/schema";
import { useMeasured } from "./useMeasured";
import { Verdict } from "./Verdict";
import { ProblemAlert } from "../shell/ProblemAlert";
import { TwoColumns } from "../shell/TwoColumns";

type Request = components["schemas"]["AskMaterial"];

/** What a rubber bears: a medium, a heat, what it is set in with. */
export function MaterialBench() {
  const [material, setMaterial] = useState("NBR");
  const [medium, setMedium] = useState("");
  const [lubricant, setLubricant] = useState("");
  const [degrees, setDegrees] = useState("");
  const known = useVocabulary().data;
  const heat = Number(degrees.replace(",", "."));
  const request: Request = {
    material,
    ...(medium && { medium: medium as NonNullable<Request["medium"]> }),
    ...(lubricant && { lubricant: lubricant as NonNullable<Request["lubricant"]> }),
    ...(degrees.trim() !== "" && Number.isFinite(heat) && { temperature_c: heat }),
  };
  const { data, error } = useMeasured("materials", request, Object.keys(request).length < 2, (body) => told(api.POST("/api/measure/materials", { body })));
  return (
    <TwoColumns
      left={
        <Box component="form" aria-label="What goes together" onSubmit={(event) => event.preventDefault()} sx={{ display: "grid", gap: 1.5, alignContent: "start" }}>
          <Choose name="Material" value={material} values={known?.materials ?? []} onChange={setMaterial} />
          <Choose name="Medium" value={medium} values={known?.media ?? []} empty="medium: not said" onChange={setMedium} />
          <TextField size="small" label="temperature, °C" value={degrees} onChange={(event) => setDegrees(event.target.value)} sx={{ bgcolor: "background.paper" }} slotProps={{ htmlInput: { maxLength: 8 } }} />
          <Choose name="Set in with" value={lubricant} values={(known?.lubricants ?? []).map((name) => ({ id: name, name }))} empty="set in with: not said" onChange={setLubricant} />
        </Box>
      }
    >
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data?.verdict && <Verdict aside={`${data.material}, ${data.name}`}>{data.verdict}</Verdict>}
      {data && <ul>{data.answers.map((one) => <li key={one.subject}>{one.says}</li>)}</ul>}
      <p>From the compatibility tables of O-ring handbooks, from memory: the maker’s own table comes first.</p>
    </TwoColumns>
  );
}

/** Rubber is called by its letters, a medium by its name. */
const said = ({ id, name }: { id: string; name: string }) => (id === id.toUpperCase() ? (id === name ? id : `${id}, ${name}`) : name);

function Choose({ name, value, values, empty, onChange }: { name: string; value: string; values: { id: string; name: string }[]; empty?: string; onChange: (value: string) => void }) {
  return (
    <NativeSelect value={value} onChange={(event) => onChange(event.target.value)} inputProps={{ "aria-label": name }}>
      {empty && <option value="">{empty}</option>}
      {values.map((one) => <option key={one.id} value={one.id}>{said(one)}</option>)}
    </NativeSelect>
  );
}
