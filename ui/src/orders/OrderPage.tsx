import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { Link, useParams, useSearchParams } from "react-router";
import { useOrder } from "../api/queries";
import type { Order } from "../api/types";
import { DemandTable } from "../counter/parts/DemandTable";
import { PlanLines } from "../counter/parts/PlanLines";
import { ToolsAnswer } from "../counter/tools/ToolsAnswer";
import { FaceDrawing } from "../drawing/FaceDrawing";
import { day, percent } from "../shell/format";
import { Page } from "../shell/Page";
import { Change } from "./Change";

/** An order as it was agreed, however the catalogue has changed since. */
export function OrderPage() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const { data: order, error } = useOrder(Number(id), Number(search.get("version")) || null);
  return (
    <Page head={order ? `order ${order.id}` : ""} kind="text">
      {error && <p>{error.message}</p>}
      {order && <Agreed order={order} />}
    </Page>
  );
}

function Agreed({ order }: { order: Order }) {
  const { record } = order;
  const { pump, work, parts } = record;
  const drawn = record.tightening.filter((one) => one.face && one.points.some((point) => point.order !== null));
  return (
    <>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "start" }}>
        <div>
          <h1 style={{ margin: 0, fontSize: 24 }}>{pump.maker} {pump.model}{pump.serials ? `, serials ${pump.serials}` : ""}</h1>
          <div>{order.customer ?? "customer not named"} · {day(order.created_at)} · {percent(record.sure)} sure · catalogue {order.catalogue_version}</div>
          <div>Work: {work.areas.map((area) => area.name).join(", ")}{work.pumps > 1 ? `, on ${work.pumps} pumps` : ""}{work.complaints.length > 0 ? `. Complaint: ${work.complaints.join(", ")}` : ""}.</div>
          <div>Seen: {record.seen.join("; ")}. <Link to={`/tickets/${order.ticket_id}`}>The call, ticket {order.ticket_id}</Link></div>
          <div>The same order serves {record.models.join(", ")}.</div>
          {order.cancelled_at && <div><strong>Cancelled</strong> {day(order.cancelled_at)}: {order.cancelled_because}</div>}
          {order.version > 1 && <div><strong>Version {order.version}</strong>: {order.amended_because}. Earlier: {order.versions.map((one) => <Link key={one.version} to={`/orders/${order.id}?version=${one.version}`} style={{ marginRight: 8 }}>version {one.version}</Link>)}</div>}
          {record.reason && <div><strong>Placed though not sure:</strong> {record.reason}</div>}
          {record.doubts.map((one) => <div key={one.text}><strong>{one.text}</strong> stands: {one.reason}</div>)}
        </div>
        <Box sx={{ display: "flex", flexDirection: "column", gap: 1, flexShrink: 0, ml: 2 }}>
          <Button variant="contained" component={Link} to={`/orders/${order.id}/bench`}>At the bench</Button>
          <Button variant="outlined" href={`/api/orders/${order.id}/card.pdf`} target="_blank">Work card (PDF)</Button>
          <Button variant="outlined" href={`/api/orders/${order.id}/strip.pdf`} target="_blank">Torque strip (PDF)</Button>
        </Box>
      </Box>
      {order.may.length > 0 && <Change order={order} />}
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
