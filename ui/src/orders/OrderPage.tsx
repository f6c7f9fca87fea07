import Box from "@mui/material/Box";
import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { Link, useNavigate, useParams, useSearchParams } from "react-router";
import { api, told } from "../api/client";
import { useOrder } from "../api/queries";
import type { Order } from "../api/types";
import { date, day, percent, price } from "../shell/format";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { freshKey } from "../ticket/key";
import { Agreed } from "./Agreed";
import { FoundAtBench } from "../bench/FoundAtBench";
import { AtTheBench } from "./AtTheBench";
import { Change } from "./Change";
import { GoodsList } from "./GoodsList";
import { LentTools } from "./LentTools";
import { LifeLine } from "./LifeLine";
import { Money } from "./Money";
import { StandingStop } from "../shell/StandingStop";
import { NextStep } from "./NextStep";
import { PlacesOfOrder } from "./PlacesOfOrder";
import { Since } from "./Since";
import { useOrderSteps } from "./useOrderSteps";
import { WhoDidWhat } from "./WhoDidWhat";
import { Whose } from "./Whose";

/** An order: where it stands and what is next, what was done with it, and what was agreed, however the catalogue has changed since. */
export function OrderPage() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const version = Number(search.get("version")) || null;
  const { data: order, error } = useOrder(Number(id), version);
  return (
    <Page title={`Order ${id}`} headed={order !== undefined} head={order ? `order ${order.id}` : ""} kind="text">
      {error && <p>{error.message}</p>}
      {order && <Life key={order.id} order={order} earlier={version !== null} />}
    </Page>
  );
}

function Life({ order, earlier }: { order: Order; earlier: boolean }) {
  const steps = useOrderSteps(order);
  const { record } = order;
  const { pump, work } = record;
  return (
    <>
      {!earlier && record.stops.map((stop) => <StandingStop key={stop.id} order={order.id} stop={stop} />)}
      <Box sx={{ display: "flex", justifyContent: "space-between", alignItems: "start", flexWrap: "wrap", gap: 1 }}>
        <div>
          <h1 style={{ margin: 0, fontSize: 24 }}>{pump.maker} {pump.model}{pump.serials ? `, serials ${pump.serials}` : ""}</h1>
          <div><Whose steps={steps} /> · {day(order.created_at)} · {percent(record.sure)} sure</div>
          <div>Work: {work.areas.map((area) => area.name).join(", ")}{work.pumps > 1 ? `, on ${work.pumps} pumps` : ""}{work.complaints.length > 0 ? `. Complaint: ${work.complaints.join(", ")}` : ""}.</div>
          {record.wanted && <div><strong>Wanted by {date(record.wanted)}</strong></div>}
          {order.together.length > 0 && <div>In the same call: {order.together.map((one, at) => <span key={one.id}>{at > 0 && "; "}<Link to={`/orders/${one.id}`}>order {one.id}, {one.pump}</Link></span>)}; quote and note are of all of them.</div>}
          {order.cancelled_at && <div><strong>Cancelled</strong> {day(order.cancelled_at)}: {order.cancelled_because}</div>}
          {order.version > 1 && <div><strong>Version {order.version}</strong>: {order.amended_because}. Earlier: {order.versions.map((one) => <Link key={one.version} to={`/orders/${order.id}?version=${one.version}`} style={{ marginRight: 8 }}>version {one.version}</Link>)}</div>}
          {order.changes.length > 0 && <ul>{order.changes.map((one) => <li key={one.text}>{one.text}{one.cents !== 0 && `: ${one.cents > 0 ? "+" : "−"}${price(Math.abs(one.cents))}`}</li>)}</ul>}
          {record.reason && <div><strong>Placed all the same:</strong> {record.reason}</div>}
          {record.doubts.map((one) => <div key={one.text}><strong>{one.text}</strong> stands: {one.reason}</div>)}
        </div>
        <Papers order={order} />
      </Box>
      {!earlier && (
        <>
          <LifeLine order={order} />
          <div className="no-print"><NextStep steps={steps} /></div>
          <PlacesOfOrder places={order.places} stacks={record.stacks} />
          <LentTools steps={steps} />
          <Box sx={{ display: "flex", gap: 3, alignItems: "start", flexWrap: "wrap" }}>
            <Box sx={{ flex: "1 1 480px", minWidth: 0 }}><GoodsList steps={steps} /></Box>
            <Money steps={steps} />
          </Box>
          <FoundAtBench found={order.found}><TakeFindings order={order} /></FoundAtBench>
          <AtTheBench order={order} />
          <Since id={order.id} version={order.version} />
          <WhoDidWhat order={order} />
          {(order.may.includes("amend") || order.may.includes("cancel")) && <div className="no-print"><Change order={order} /></div>}
        </>
      )}
      <Agreed order={order} />
    </>
  );
}

/** Opens the order's ticket with what was found on it: there it is agreed, and saved as another version. */
function TakeFindings({ order }: { order: Order }) {
  const navigate = useNavigate();
  const taking = useMutation({
    mutationFn: () => told(api.POST("/api/orders/{id}/findings", { params: { path: { id: order.id } }, body: { key: freshKey() } })),
    onSuccess: (view) => void navigate(`/tickets/${view.id}`),
  });
  return (
    <>
      <Button variant="contained" sx={{ mt: 1 }} disabled={taking.isPending} onClick={() => taking.mutate()}>Take it to the ticket</Button>
      {taking.error && <ProblemAlert>{taking.error.message}</ProblemAlert>}
    </>
  );
}

/** What is printed for it: the work, then what goes to the customer. */
function Papers({ order }: { order: Order }) {
  const pdf = (name: string) => `/api/orders/${order.id}/${name}.pdf`;
  return (
    <Box className="no-print" sx={{ display: "flex", flexDirection: "column", gap: 0.75, ml: { xs: 0, md: 2 }, textAlign: { xs: "left", md: "right" } }}>
      <Button variant="contained" sx={{ alignSelf: "flex-end" }} component={Link} to={`/orders/${order.id}/bench`}>At the bench</Button>
      <span>Print: {order.papers.map(({ id, name }, index) => <span key={id}>{index > 0 && " · "}<a href={pdf(id)} target="_blank" rel="noreferrer">{name}</a></span>)}</span>
    </Box>
  );
}
