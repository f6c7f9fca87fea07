import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { FromOutside } from "../drawing/FromOutside";
import { SectionDrawing } from "../drawing/SectionDrawing";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";

type Series = components["schemas"]["SeriesPage"];

const useSeries = (id: string) => useQuery({ queryKey: ["series", id, undefined], queryFn: () => told(api.GET("/api/series/{id}", { params: { path: { id } } })) });

/** Two series side by side: traits, tightening, stacks; what differs is set in bold. */
export function Beside() {
  const { one = "", other = "" } = useParams();
  const [left, right] = [useSeries(one), useSeries(other)];
  const problem = left.error ?? right.error;
  return (
    <Page title="Two series side by side" headed={left.data !== undefined && right.data !== undefined}>
      {problem && <ProblemAlert>{problem.message}</ProblemAlert>}
      {left.data && right.data && <Shown two={[left.data, right.data]} />}
    </Page>
  );
}

function Shown({ two }: { two: [Series, Series] }) {
  const names = two.map((series) => `${series.maker} ${series.name}`);
  return (
    <>
      <h1>{two.map((series, at) => <span key={series.id}>{at === 1 && " beside "}<Link to={`/catalogue/series/${series.id}`}>{names[at]}</Link></span>)}</h1>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 2 }}>
        {two.map((series) => <FromOutside key={series.id} views={series.plan.outside} pump={series.shown} />)}
      </Box>
      <Compared name="Traits" names={names} rows={paired(two, (series) => series.traits.map((one) => [one.name, one.value]))} />
      <Compared name="Tightening" names={names} rows={paired(two, (series) => series.plan.tightening.map((one) => [one.name, one.published?.text ?? one.text]))} />
      <h2>Stacks</h2>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, gap: 2 }}>
        {two.map((series) => (
          <Box key={series.id} sx={{ minWidth: 0 }}>
            {series.exploded.map((stack) => (
              <Box component="figure" key={stack.id} sx={{ m: 0, mb: 1.5 }}>
                <figcaption><strong>{stack.name}</strong>: {stack.pieces.map((piece, at) => `${at + 1} ${piece.name}`).join(", ")}</figcaption>
                <SectionDrawing section={stack.drawing} layers={stack.pieces.map(() => ({ drawn: "keep" }))} picked={null} />
              </Box>
            ))}
          </Box>
        ))}
      </Box>
    </>
  );
}

type Row = [string, string | undefined, string | undefined];

/** By name, those of the first in their order, then what only the second has. */
function paired([left, right]: [Series, Series], told: (series: Series) => string[][]): Row[] {
  const [first, second] = [new Map(told(left) as [string, string][]), new Map(told(right) as [string, string][])];
  return [...new Set([...first.keys(), ...second.keys()])].map((name) => [name, first.get(name), second.get(name)]);
}

const Compared = ({ name, names, rows }: { name: string; names: string[]; rows: Row[] }) => (
  <>
    <h2>{name}</h2>
    <Table name={name} headings={["", ...names]} rows={rows.map(([what, left, right]) => (left === right ? [what, left, right] : [what, <strong key="l">{left ?? "–"}</strong>, <strong key="r">{right ?? "–"}</strong>]))} />
  </>
);
