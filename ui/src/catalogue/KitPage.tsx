import { useQuery } from "@tanstack/react-query";
import { Link, useParams } from "react-router";
import { api, told } from "../api/client";
import { price } from "../shell/format";
import { Page } from "../shell/Page";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { Head } from "./Head";
import { onShelf, partPath } from "./NumberLink";
import { SourceLine } from "./SourceLine";

/** One kit: what it holds against what each pump needs, and what it leaves open. */
export function KitPage() {
  const { number = "" } = useParams();
  const { data, error } = useQuery({ queryKey: ["kit", number], queryFn: () => told(api.GET("/api/kits/{number}", { params: { path: { number } } })) });
  return (
    <Page title={`Kit ${number}`} headed={data !== undefined}>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && (
        <>
          <Head words={data.number}>{data.number} <span style={{ fontWeight: 400 }}>{data.name}</span></Head>
          <p style={{ fontSize: 20 }}>
            <strong>{onShelf(data)}</strong> · {data.per && `for one ${data.per} · `}<Link to={`/catalogue/series/${data.series}`}>{data.maker} {data.series_name}</Link>
            {data.loose_cents !== null && ` · its pieces one by one ${price(data.loose_cents)}`}
          </p>
          <SourceLine source={data.source} checked={data.checked} />
          <h2>What it holds, and what the work takes</h2>
          <Table name="Contents and needs" right={[2]}
            headings={["part", "what", "in the kit", ...data.columns.map((one) => `${one.pumps}: ${one.areas.join(", ") || "no work of its own"}, ${one.kits} ${one.kits === 1 ? "kit" : "kits"}`)]}
            rows={data.rows.map((row) => [
              <Link key="number" to={partPath(row.number)}>{row.number}</Link>, row.name, <strong key="held">{row.held === 0 ? "–" : row.held}</strong>,
              ...row.cells.map((cell) => needed(cell)),
            ])} />
        </>
      )}
    </Page>
  );
}

const needed = ({ needed: wanted, open }: { needed: number; open: number }) => {
  if (wanted === 0) return "not needed";
  return open === 0 ? `${wanted}, covered` : <strong>{wanted}, {open} left open</strong>;
};
