import Box from "@mui/material/Box";
import type { components } from "../api/schema";
import { Table } from "../shell/Table";

type Measured = components["schemas"]["MeasuredFlow"];
type Figure = Measured["given"][number];

const said = ({ value, unit }: Figure) => `${value}${unit ? ` ${unit}` : ""}`;

/** What came of it, each with its sum written out, and what cannot all be true. */
export function FlowSums({ data }: { data: Measured }) {
  return (
    <>
      {data.told.length > 0 && <Box component="ul" aria-label="What the bucket tells" sx={{ my: 1, pl: 2.5 }}>{data.told.map((one) => <li key={one.name}><strong>{one.name}</strong>: {one.sum}</li>)}</Box>}
      {data.disagreements.map((one) => (
        <Box key={one.sum} role="note" sx={{ my: 1, fontWeight: 700 }}>
          {one.sum}
          {one.would_be.length > 0 && <Box component="span" sx={{ fontWeight: 400 }}> For the others to be right: {one.would_be.map((figure) => `${figure.name} ${said(figure)}`).join(", or ")}.</Box>}
        </Box>
      ))}
      {data.nozzles.length > 0 && <Table name="Nozzles" headings={["nozzle that is sold", "pressure behind it at that flow"]} rows={data.nozzles.map((one) => [`${one.count > 1 ? `${one.count} side by side of ` : ""}${one.number}${one.nearest ? ": the nearest" : ""}`, `${one.pressure} ${one.unit}${one.warning ? `: ${one.warning}` : ""}`])} />}
      {data.worked.length > 0 && <Table name="Worked out" headings={["figure", "is", "by"]} rows={data.worked.map((one) => [one.name, said(one), `${one.sum ?? ""}${(one.assumed ?? []).map((why) => ` (taken: ${why})`).join("")}`])} />}
    </>
  );
}
