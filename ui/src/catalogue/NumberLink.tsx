import { Link } from "react-router";
import { price } from "../shell/format";
import type { components } from "../api/schema";

type NumberShown = components["schemas"]["NumberShown"];

export const partPath = (number: string) => `/catalogue/parts/${encodeURIComponent(number)}`;
export const kitPath = (number: string) => `/catalogue/kits/${encodeURIComponent(number)}`;

/** "6 free · €13.32", as far as it is known. */
export const onShelf = ({ price_cents, free }: Pick<NumberShown, "price_cents" | "free">) =>
  [free === null ? null : `${free} free`, price_cents === null ? "no price" : price(price_cents)].filter(Boolean).join(" · ");

/** A part as one of several. */
export const PartLine = ({ part }: { part: NumberShown }) => (
  <span><Link to={partPath(part.number)}>{part.number}</Link> {part.name} <span style={{ whiteSpace: "nowrap" }}>({onShelf(part)})</span></span>
);
