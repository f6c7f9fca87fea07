import Box from "@mui/material/Box";
import { Link } from "react-router";
import type { Order } from "../api/types";
import { DemandTable } from "../counter/parts/DemandTable";
import { PlanLines } from "../counter/parts/PlanLines";
import { ToolsAnswer } from "../counter/tools/ToolsAnswer";
import { FaceDrawing } from "../drawing/FaceDrawing";

/** What was agreed, as it was then. */
export function Agreed({ order }: { order: Order }) {
  const { record } = order;
  const { parts } = record;
  const drawn = record.tightening.filter((one) => one.face && one.points.some((point) => point.order !== null));
  return (
    <>
      <h2>What it rests on</h2>
      <div>Seen: {record.seen.join("; ")}. <Link to={`/tickets/${order.ticket_id}`}>The call, ticket {order.ticket_id}</Link></div>
      <div>The same order serves {record.models.join(", ")}; catalogue {order.catalogue_version}.</div>
      <h2>Parts, {parts.plan}</h2>
      <PlanLines plan={parts} />
      <h2>Why</h2>
      <DemandTable demand={record.why} />
      <h2>Tools</h2>
      <ToolsAnswer tools={record.tools} consumables={record.consumables} />
      <h2>Tightening</h2>
      {record.tightening.map((one) => <p key={one.fastener}><strong>{one.count} × {one.name}:</strong> {one.text}</p>)}
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
        {drawn.map((one) => <FaceDrawing key={one.fastener} face={one.face!} points={one.points} />)}
      </Box>
    </>
  );
}
