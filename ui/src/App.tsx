import { lazy, Suspense } from "react";
import { Navigate, Route, Routes, useLocation } from "react-router";
import { CounterPage } from "./counter/CounterPage";
import { Boundary } from "./shell/Boundary";
import { Outbox } from "./shell/Outbox";
import { NotFoundPage } from "./shell/NotFoundPage";
import { Till } from "./shell/Till";
import { Unreachable } from "./shell/Unreachable";
import { useSession } from "./shell/useSession";

const OrdersPage = lazy(() => import("./orders/OrdersPage").then((file) => ({ default: file.OrdersPage })));
const BenchPage = lazy(() => import("./bench/BenchPage").then((file) => ({ default: file.BenchPage })));
const OrderPage = lazy(() => import("./orders/OrderPage").then((file) => ({ default: file.OrderPage })));
const DeskPage = lazy(() => import("./desk/DeskPage").then((file) => ({ default: file.DeskPage })));
const CustomerPage = lazy(() => import("./customers/CustomerPage").then((file) => ({ default: file.CustomerPage })));
const CataloguePage = lazy(() => import("./catalogue/CataloguePage").then((file) => ({ default: file.CataloguePage })));
const PartPage = lazy(() => import("./catalogue/PartPage").then((file) => ({ default: file.PartPage })));
const KitPage = lazy(() => import("./catalogue/KitPage").then((file) => ({ default: file.KitPage })));
const SeriesPage = lazy(() => import("./catalogue/SeriesPage").then((file) => ({ default: file.SeriesPage })));
const Beside = lazy(() => import("./catalogue/Beside").then((file) => ({ default: file.Beside })));
const WritePage = lazy(() => import("./catalogue/write/WritePage").then((file) => ({ default: file.WritePage })));
const DraftPage = lazy(() => import("./catalogue/write/DraftPage").then((file) => ({ default: file.DraftPage })));
const SightingPage = lazy(() => import("./sightings/SightingPage").then((file) => ({ default: file.SightingPage })));
const MeasurePage = lazy(() => import("./measure/MeasurePage").then((file) => ({ default: file.MeasurePage })));

export function App() {
  const { pathname } = useLocation();
  const { data: session } = useSession();
  const home = session?.person?.home ?? "/";
  return (
    <>
      <Unreachable />
      <Outbox />
      <Till>
        <Boundary place={pathname}>
        <Suspense fallback={null}>
          <Routes>
            <Route path="/" element={home === "/" ? <CounterPage /> : <Navigate to={home} replace />} />
            <Route path="/tickets/:id" element={<CounterPage />} />
            <Route path="/orders" element={<OrdersPage />} />
            <Route path="/orders/:id" element={<OrderPage />} />
            <Route path="/orders/:id/bench" element={<BenchPage />} />
            <Route path="/sightings/:id" element={<SightingPage />} />
            <Route path="/measure" element={<Navigate to="/measure/seal" replace />} />
            <Route path="/desk" element={<Navigate to="/desk/today" replace />} />
            <Route path="/measure/:what" element={<MeasurePage />} />
            <Route path="/catalogue" element={<CataloguePage />} />
            <Route path="/catalogue/parts/:number" element={<PartPage />} />
            <Route path="/catalogue/kits/:number" element={<KitPage />} />
            <Route path="/catalogue/series/:id" element={<SeriesPage />} />
            <Route path="/catalogue/write" element={<WritePage />} />
            <Route path="/catalogue/write/:like" element={<WritePage />} />
            <Route path="/catalogue/drafts/:id" element={<DraftPage />} />
            <Route path="/catalogue/beside/:one/:other" element={<Beside />} />
            <Route path="/desk/customers/:id" element={<CustomerPage />} />
            <Route path="/desk/:part" element={<DeskPage />} />
            <Route path="*" element={<NotFoundPage />} />
          </Routes>
        </Suspense>
        </Boundary>
      </Till>
    </>
  );
}
