import { Link, useLocation } from "react-router";
import { Page } from "./Page";
import { petrol } from "./theme";

/** An address that nothing is at. */
export function NotFoundPage() {
  const { pathname } = useLocation();
  return (
    <Page title="No such page" headed kind="text">
        <h1>There is no page at {pathname}</h1>
        <p>Begin a <Link to="/" reloadDocument style={{ color: petrol }}>new ticket</Link>, or find an <Link to="/orders" style={{ color: petrol }}>order or a ticket</Link>.</p>
    </Page>
  );
}
