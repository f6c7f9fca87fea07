import { lazy, Suspense } from "react";
import { Route, Routes } from "react-router";
import { CounterPage } from "./counter/CounterPage";
import { Till } from "./shell/Till";

const OrdersPage = lazy(() => import("./orders/OrdersPage").then((file) => ({ default: file.OrdersPage })));
const BenchPage = lazy(() => import("./bench/BenchPage").then((file) => ({ default: file.BenchPage })));
const OrderPage = lazy(() => import("./orders/OrderPage").then((file) => ({ default: file.OrderPage })));
const DeskPage = lazy(() => import("./desk/DeskPage").then((file) => ({ default: file.DeskPage })));
const MeasurePage = lazy(() => import("./measure/MeasurePage").then((file) => ({ default: file.MeasurePage })));

export function App() {
  return (
    <Till>
      <Suspense fallback={null}>
        <Routes>
          <Route path="/" element={<CounterPage />} />
          <Route path="/tickets/:id" element={<CounterPage />} />
          <Route path="/orders" element={<OrdersPage />} />
          <Route path="/orders/:id" element={<OrderPage />} />
          <Route path="/orders/:id/bench" element={<BenchPage />} />
          <Route path="/measure/:what" element={<MeasurePage />} />
          <Route path="/desk/:part" element={<DeskPage />} />
        </Routes>
      </Suspense>
    </Till>
  );
}
