import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useParams } from "react-router";
import { useOrder } from "../api/queries";
import type { Order } from "../api/types";
import { DemandTable } from "../counter/DemandTable";
import { PlanLines } from "../counter/PlanLines";
import { ToolsAnswer } from "../counter/ToolsAnswer";
import { FaceDrawing } from "../drawing/FaceDrawing";
import { day, percent } from "../shell/format";
import { TopBar } from "../shell/TopBar";

/** An order as it was agreed, however the catalogue has changed since. */
export function OrderPage() {
  const { id } = useParams();
  const { data: order, error } = useOrder(Number(id));
  return (
    <>
      <TopBar>{order ? `order ${order.id}` : ""}</TopBar>
      <Box component="main" sx={{ maxWidth: 1100, mx: "auto", px: 2.5, py: 2 }}>
        {error && <p>{error.message}</p>}
        {order && <Agreed order={order} />}
      </Box>
    </>
  );
}

function Agreed({ order }: { order: Order }) {
  const { plan, sure, models, readings } = order.document;
  const drawn = plan.tightening.filter((one) => one.face && one.points.some((point) => point.order !== null));
  return (
    <>
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "start" }}>
        <div>
          <h1 style={{ margin: 0, fontSize: 24 }}>{plan.maker} {plan.model}{plan.serial_range ? `, serials ${plan.serial_range}` : ""}</h1>
          <div>{order.customer ?? "customer not named"} · {day(order.created_at)} · {percent(sure)} sure · catalogue {order.catalogue_version}</div>
          <div>Seen: {readings.map((one) => one.text).join("; ")}.</div>
          <div>The same order serves {models.join(", ")}.</div>
        </div>
        <Button variant="contained" href={`/api/orders/${order.id}/card.pdf`} target="_blank">Work card (PDF)</Button>
      </Box>
      <h2 style={{ fontSize: 18 }}>Parts, {plan.plans[0]!.name}</h2>
      <PlanLines plan={plan.plans[0]!} />
      <h2 style={{ fontSize: 18 }}>Why</h2>
      <DemandTable plan={plan} />
      <h2 style={{ fontSize: 18 }}>Tools</h2>
      <ToolsAnswer plan={plan} />
      <h2 style={{ fontSize: 18 }}>Tightening</h2>
      {plan.tightening.map((one) => <p key={one.fastener}><strong>{one.count} × {one.name}:</strong> {one.text}</p>)}
      <Box sx={{ display: "flex", gap: 3, flexWrap: "wrap" }}>
        {drawn.map((one) => <FaceDrawing key={one.fastener} face={one.face!} points={one.points} />)}
      </Box>
    </>
  );
}
