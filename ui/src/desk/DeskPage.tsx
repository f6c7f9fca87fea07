import Box from "@mui/material/Box";
import { type ComponentType, lazy, Suspense } from "react";
import { useParams } from "react-router";
import { Page } from "../shell/Page";
import { PlaceLink } from "../shell/PlaceLink";
import { TwoColumns } from "../shell/TwoColumns";
import { Customers } from "../customers/Customers";
import { Buying } from "../stock/Buying";
import { Stock } from "../stock/Stock";
import { CatalogueDesk } from "./CatalogueDesk";
import { Copies } from "./Copies";
import { HistoryDesk } from "./HistoryDesk";
import { LentTools } from "./LentTools";
import { People } from "./People";
import { Today } from "./Today";

/** Its charts are more than all the rest of the desk: they come when they are looked at. */
const Figures = lazy(() => import("./Figures").then((file) => ({ default: file.Figures })));

interface Part {
  name: string;
  show: ComponentType;
}

/** What is looked after away from the counter; who may do it, the server says. */
const PARTS: Record<string, Part> = {
  today: { name: "Today", show: Today },
  customers: { name: "Customers", show: Customers },
  tools: { name: "Lent tools", show: LentTools },
  prices: { name: "Prices and stock", show: Stock },
  buying: { name: "Buying", show: Buying },
  catalogue: { name: "Catalogue documents", show: CatalogueDesk },
  figures: { name: "How it goes", show: Figures },
  people: { name: "People and scripts", show: People },
  history: { name: "Who did what", show: HistoryDesk },
  copies: { name: "Health and copies", show: Copies },
};

export function DeskPage() {
  const { part = "today" } = useParams();
  const open = PARTS[part];
  return (
    <Page title={open?.name ?? "Desk"} headed>
      <TwoColumns
        leftWidth={210}
        left={
          <Box component="nav" aria-label="Desk" sx={{ display: "flex", flexDirection: { xs: "row", md: "column" }, flexWrap: { xs: "wrap", md: "nowrap" }, gap: 0.5 }}>
            {Object.entries(PARTS).map(([id, place]) => <PlaceLink key={id} to={`/desk/${id}`}>{place.name}</PlaceLink>)}
          </Box>
        }
      >
        <Box component="section" aria-label={open?.name} sx={{ minWidth: 0 }}>
          <h1>{open?.name ?? "There is no such part of the desk."}</h1>
          {open && <Suspense fallback={null}><open.show /></Suspense>}
        </Box>
      </TwoColumns>
    </Page>
  );
}
