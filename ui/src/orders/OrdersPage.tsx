import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useOrders } from "../api/queries";
import { Pager } from "../shell/Pager";
import { Page } from "../shell/Page";
import { OrderTable } from "./OrderTable";
import { Sightings } from "../sightings/Sightings";
import { Tickets } from "./Tickets";
import { ProblemAlert } from "../shell/ProblemAlert";

/** Tickets to go on with, and the orders of the counter; both found by their words. */
export function OrdersPage() {
  const [words, setWords] = useState("");
  const [page, setPage] = useState(1);
  const { data, error } = useOrders(words, page);
  const look = (text: string) => {
    setWords(text);
    setPage(1);
  };
  return (
    <Page title="Orders and tickets">
      <TextField size="small" label="find orders and tickets" value={words} onChange={(event) => look(event.target.value)} sx={{ width: 420, mb: 1.5 }} slotProps={{ htmlInput: { maxLength: 200 } }} />
      <Tickets words={words} />
      <h2>Orders</h2>
      {error && <ProblemAlert>{error.message}</ProblemAlert>}
      {data && data.orders.length > 0 && <OrderTable orders={data.orders} />}
      {data && (data.total > 0 ? <Pager what="orders" page={data.page} pages={data.pages} total={data.total} onPage={setPage} /> : <p>{words ? `No order has “${words}”.` : "No order has been saved yet."}</p>)}
      <Sightings />
    </Page>
  );
}
