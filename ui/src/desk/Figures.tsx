import Box from "@mui/material/Box";
import { BarChart } from "@mui/x-charts/BarChart";
import { useQuery } from "@tanstack/react-query";
import { api, told } from "../api/client";
import { ProblemAlert } from "../shell/ProblemAlert";
import { Table } from "../shell/Table";
import { price } from "../shell/format";
import { petrol } from "../shell/theme";
import { Learning } from "./Learning";

/** Minutes after which a call counts among the longest. */
const STEPS = [2, 5, 10, 20];
const SECOND = "#c98a3b";

const spread = (minutes: number[]) => {
  const edges = [0, ...STEPS];
  return edges.map((from, at) => {
    const to = STEPS[at];
    return { name: to === undefined ? `over ${from}` : `${from} to ${to}`, calls: minutes.filter((one) => one >= from && (to === undefined || one < to)).length };
  });
};

/** How the shop went over the last three weeks. */
export function Figures() {
  const { data, error } = useQuery({ queryKey: ["figures"], queryFn: () => told(api.GET("/api/figures")) });
  if (error) return <ProblemAlert>{error.message}</ProblemAlert>;
  if (!data) return null;
  const minutes = spread(data.minutes);
  const returns = data.returns.filter((one) => one.pieces > 0);
  return (
    <>
      <p><strong>{data.sure}</strong> {data.sure === 1 ? "order was" : "orders were"} sure, <strong>{data.unsure}</strong> {data.unsure === 1 ? "was" : "were"} placed for a reason. <strong>{data.overdue}</strong> {data.overdue === 1 ? "tool is" : "tools are"} overdue. In stock lie {price(data.stock.cents)}, of these {price(data.stock.dead_cents)} that nobody asked for in half a year.</p>
      <Box component="figure" aria-label="Calls and orders by day" sx={{ m: 0 }}>
        <BarChart height={240} borderRadius={3} dataset={data.days.map((one) => ({ ...one, day: one.day.slice(5) }))} xAxis={[{ dataKey: "day", scaleType: "band" }]} yAxis={[{ label: "a day" }]} series={[{ dataKey: "calls", label: "calls", color: petrol }, { dataKey: "orders", label: "orders", color: SECOND }]} />
      </Box>
      <Box sx={{ display: "grid", gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "1fr 1fr" }, gap: 2 }}>
        <Box component="figure" aria-label="Minutes from the first word to the order" sx={{ m: 0 }}>
          <BarChart height={200} borderRadius={3} dataset={minutes} xAxis={[{ dataKey: "name", scaleType: "band", label: "minutes from the first word to the order" }]} series={[{ dataKey: "calls", label: "orders", color: petrol }]} />
        </Box>
        <Box component="figure" aria-label="Returns by reason" sx={{ m: 0 }}>
          {returns.length > 0 ? <BarChart height={200} layout="horizontal" borderRadius={3} dataset={returns} yAxis={[{ dataKey: "name", scaleType: "band", width: 190 }]} series={[{ dataKey: "pieces", label: "pieces that came back", color: SECOND }]} /> : <p>Nothing came back.</p>}
        </Box>
      </Box>
      <Box component="figure" aria-label="Taken by week" sx={{ m: 0 }}>
        <BarChart height={200} borderRadius={3} dataset={data.weeks.map((one) => ({ week: one.from.slice(5), taken: one.cents / 100, margin: one.margin_cents / 100 }))} xAxis={[{ dataKey: "week", scaleType: "band", label: "week from" }]} series={[{ dataKey: "taken", label: "taken, without tax", color: petrol }, { dataKey: "margin", label: "margin, where the cost is known", color: SECOND }]} />
      </Box>
      <p><a href="/api/figures/weeks.csv">The weeks as CSV</a></p>
      <h2>What brought most</h2>
      <Table name="Best sellers" headings={["number", "what", "sold", "brought"]} right={[2, 3]} rows={data.best.map((one) => [one.number, one.name, one.units, price(one.cents)])} />
      <Learning />
      <h2>Dead stock</h2>
      <Table name="Dead stock" headings={["number", "here", "worth"]} right={[1, 2]} rows={data.stock.dead.map((one) => [one.number, one.on_hand, price(one.cents)])} />
    </>
  );
}
