import { lazy, Suspense } from "react";
import { Navigate, Route, Routes } from "react-router";
import { CounterPage } from "./counter/CounterPage";
import { NotFoundPage } from "./shell/NotFoundPage";
import { Till } from "./shell/Till";
import { Unreachable } from "./shell/Unreachable";

const OrdersPage = lazy(() => import("./orders/OrdersPage").then((file) => ({ default: file.OrdersPage })));
const BenchPage = lazy(() => import("./bench/BenchPage").then((file) => ({ default: file.BenchPage })));
const OrderPage = lazy(() => import("./orders/OrderPage").then((file) => ({ default: file.OrderPage })));
const DeskPage = lazy(() => import("./desk/DeskPage").then((file) => ({ default: file.DeskPage })));
const CustomerPage = lazy(() => import("./customers/CustomerPage").then((file) => ({ default: file.CustomerPage })));
const MeasurePage = lazy(() => import("./measure/MeasurePage").then((file) => ({ default: file.MeasurePage })));

export function App() {
  return (
    <>
      <Unreachable />
      <Till>
        <Suspense fallback={null}>
          <Routes>
            <Route path="/" element={<CounterPage />} />
            <Route path="/tickets/:id" element={<CounterPage />} />
            <Route path="/orders" element={<OrdersPage />} />
            <Route path="/orders/:id" element={<OrderPage />} />
            <Route path="/orders/:id/bench" element={<BenchPage />} />
            <Route path="/measure" element={<Navigate to="/measure/seal" replace />} />
            <Route path="/desk" element={<Navigate to="/desk/today" replace />} />
            <Route path="/measure/:what" element={<MeasurePage />} />
            <Route path="/desk/customers/:id" element={<CustomerPage />} />
            <Route path="/desk/:part" element={<DeskPage />} />
            <Route path="*" element={<NotFoundPage />} />
          </Routes>
        </Suspense>
      </Till>
    </>
  );
}
