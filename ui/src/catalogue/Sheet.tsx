import Box from "@mui/material/Box";
import type { Plan, Tightening } from "../api/types";
import { CrankDrawing } from "../drawing/CrankDrawing";
import { FaceDrawing } from "../drawing/FaceDrawing";
import { Caution } from "../shell/Caution";
import { Small } from "../shell/text";
import { SourceLine } from "./SourceLine";

/** The tightening sheet, tools, cautions and finish of a whole pump. */
export const Sheet = ({ plan }: { plan: Plan }) => (
  <>
    <h2>Tightening, in the order of closing</h2>
    {plan.refit && (
      <Box sx={{ display: "flex", gap: 2, flexWrap: "wrap", alignItems: "center" }}>
        <Box sx={{ flex: 1, minWidth: 220 }}><strong>Before the manifold goes on</strong><div>{plan.refit.text}</div></Box>
        <CrankDrawing refit={plan.refit} />
      </Box>
    )}
    <Box sx={{ display: "grid", gridTemplateColumns: "repeat(auto-fill, minmax(min(420px, 100%), 1fr))", gap: 2 }}>
      {plan.tightening.map((one) => <Fastener key={one.fastener} one={one} />)}
    </Box>
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "1fr 1fr" }, gap: 3 }}>
      <div>
        <h2>Tools</h2>
        <ul>{plan.tools.map((tool) => <li key={tool.name}>{tool.name}{tool.number ? ` (${tool.number})` : ""}</li>)}</ul>
        <h2>Used up</h2>
        <ul>{plan.consumables.map((one) => <li key={one.name}>{one.name}: {one.how_much}</li>)}</ul>
      </div>
      <div>
        <h2>Cautions</h2>
        {plan.cautions.map((caution) => <Caution key={caution}>{caution}</Caution>)}
      </div>
    </Box>
    <h2>The work, step by step</h2>
    <ol>{plan.steps.map((step, at) => <li key={at}><strong>{step.title}</strong> {step.text}</li>)}</ol>
  </>
);

function Fastener({ one }: { one: Tightening }) {
  return (
    <Box component="article" aria-label={one.name} sx={{ borderTop: "1px solid", borderColor: "divider", pt: 1, breakInside: "avoid" }}>
      <strong>{one.count} × {one.name}</strong> · {one.drive}
      <Box sx={{ fontSize: 21, fontWeight: 700 }}>{one.published ? one.published.text : one.text}{one.tolerance && ` ± ${one.tolerance.text}`}</Box>
      {one.published && one.kind !== "torque" && <div>{one.text}</div>}
      {one.treatment && <div>threads: {one.treatment}</div>}
      {one.passes.length > 1 && <div>passes: {one.passes.map((pass) => pass.text).join(", then ")}</div>}
      {one.conversions.length > 0 && <Small>{one.conversions.map((other) => other.text).join(" = ")}</Small>}
      {one.published && <SourceLine source={one.source} checked={one.checked} />}
      {one.face && <FaceDrawing face={one.face} points={one.points} width={280} />}
    </Box>
  );
}
