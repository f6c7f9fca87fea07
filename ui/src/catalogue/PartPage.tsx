import Box from "@mui/material/Box";
import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import { SectionDrawing } from "../drawing/SectionDrawing";
import { day, price } from "../shell/format";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { Muted } from "../shell/text";
import { Head } from "./Head";
import { kitPath, onShelf, PartLine } from "./NumberLink";
import { SourceLine } from "./SourceLine";

type Part = components["schemas"]["PartPage"];

/** One part: its sizes, where it sits, what holds it, what serves for it, who had it. */
export function PartPage() {
  const { number = "" } = useParams();
  const { data, error } = useQuery({ queryKey: ["part", number], queryFn: () => told(api.GET("/api/parts/{number}", { params: { path: { number } } })) });
  return (
    <Page title={`Part ${number}`} headed={data !== undefined}>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && <Shown part={data} />}
    </Page>
  );
}

const Shown = ({ part }: { part: Part }) => (
  <>
    <Head words={part.number}>{part.number} <span style={{ fontWeight: 400 }}>{part.name}</span></Head>
    <p style={{ fontSize: 20 }}><strong>{onShelf(part)}</strong> · <Link to={`/catalogue/series/${part.series}`}>{part.maker} {part.series_name}</Link></p>
    <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(260px, 360px) minmax(0, 1fr)" }, gap: 3 }}>
      <Box>
        {part.spec.length > 0 && <Table name="Sizes" headings={["size", ""]} right={[1]} rows={part.spec.map((one) => [one.name, <strong key="value">{one.value}</strong>])} />}
        <SourceLine source={part.source} />
        <Others name="Replaced by" parts={part.newer} />
        <Others name="Replaces" parts={part.older} />
        <Others name="The same as" parts={part.interchange} />
        <Others name="For a while serves" parts={part.stand_ins} note={(at) => part.stand_ins[at]!.note} />
        <Others name="Serves for a while for" parts={part.stands_in_for} />
        <h2>Kits that hold it</h2>
        {part.kits.length === 0 && <p>none</p>}
        {part.kits.map((kit) => (
          <p key={kit.number}><Link to={kitPath(kit.number)}>{kit.number}</Link> {kit.name}: {kit.quantity} of it{kit.per ? `, for one ${kit.per}` : ""} ({onShelf(kit)})</p>
        ))}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        {part.places.length === 0 && <p>It sits in no pump of the catalogue by itself.</p>}
        {part.places.map((place) => <Place key={`${place.stack} ${place.slot}`} place={place} />)}
        <h2>Orders that had it</h2>
        {part.orders.length === 0 && <p>none yet</p>}
        {part.orders.length > 0 && (
          <Table name="Orders that had it" headings={["order", "pump", "customer", "when", "price"]} right={[4]}
            rows={part.orders.map((order) => [<Link key="id" to={`/orders/${order.id}`}>{order.id}</Link>, order.model, order.customer, day(order.created_at), price(order.price_cents)])} />
        )}
      </Box>
    </Box>
  </>
);

function Others({ name, parts, note }: { name: string; parts: Part["newer"]; note?: (at: number) => string }) {
  if (parts.length === 0) return null;
  return (
    <>
      <h2>{name}</h2>
      {parts.map((part, at) => <p key={part.number}><PartLine part={part} />{note && `: ${note(at)}`}</p>)}
    </>
  );
}

/** The stack that it sits in, the piece itself filled. */
const Place = ({ place }: { place: Part["places"][number] }) => (
  <Box component="section" aria-label={`In the ${place.stack}`} sx={{ mb: 2, borderBottom: "1px solid", borderColor: "divider", pb: 1 }}>
    <strong>{place.name}</strong> in the {place.stack}, {place.quantity} in a pump ({place.positions.join(", ")})
    <div>{place.pumps}</div>
    <div>{[place.reuse, ...place.told].join("; ")}</div>
    <Muted>left: {place.from} · right: {place.towards}</Muted>
    <SectionDrawing section={place.drawing} layers={place.layers.map((_, at) => ({ drawn: at === place.at ? "replace" : "keep" }))} picked={place.at} />
    <Muted>{place.layers.map((layer, at) => `${at + 1} ${layer}`).join(" · ")}</Muted>
  </Box>
);
