import Box from "@mui/material/Box";
import { Link } from "react-router";
import { useOpenTickets, useOrders } from "../api/queries";
import { day } from "../shell/format";
import { TopBar } from "../shell/TopBar";
import { OrderGrid } from "./OrderGrid";
import { Sightings } from "./Sightings";

/** Open tickets to go on with, and the orders of the counter. */
export function OrdersPage() {
  const { data: orders, error } = useOrders();
  const open = useOpenTickets();
  const tickets = open.data ?? [];
  const failed = error ?? open.error;
  return (
    <>
      <TopBar />
      <Box component="main" sx={{ maxWidth: 1400, mx: "auto", px: 2.5, py: 2 }}>
        {tickets.length > 0 && (
          <Box component="section" aria-label="Open tickets" sx={{ mb: 2 }}>
            <h1 style={{ fontSize: 20, margin: "0 0 6px" }}>Open tickets</h1>
            <Box component="ul" sx={{ display: "flex", flexWrap: "wrap", gap: 1, listStyle: "none", m: 0, p: 0 }}>
              {tickets.map((ticket) => (
                <Box component="li" key={ticket.id} sx={{ bgcolor: "background.paper", border: "1px solid", borderColor: "divider", borderRadius: 1, px: 1.25, py: 0.75 }}>
                  <Link to={`/tickets/${ticket.id}`}>ticket {ticket.id}</Link> · {ticket.entries} {ticket.entries === 1 ? "entry" : "entries"} · {day(ticket.updated_at)}{ticket.words ? <Box component="span" sx={{ display: "block", fontSize: 14, color: "text.secondary", maxWidth: 380, overflow: "hidden", textOverflow: "ellipsis", whiteSpace: "nowrap" }}>{ticket.words}</Box> : null}
                </Box>
              ))}
            </Box>
          </Box>
        )}
        <h1 style={{ fontSize: 20, margin: "0 0 6px" }}>Orders</h1>
        {failed && <p role="alert">{failed.message}</p>}
        {orders && (orders.length > 0 ? <OrderGrid orders={orders} /> : <p>No order has been saved yet.</p>)}
        <Sightings />
      </Box>
    </>
  );
}
