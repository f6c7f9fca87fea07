import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, told } from "../api/client";
import type { components } from "../api/schema";
import type { Order } from "../api/types";
import { useStale } from "../api/stale";
import { freshKey } from "../ticket/key";

type NewStep = components["schemas"]["NewStep"];
export type Sent = NewStep extends infer Kind ? (Kind extends NewStep ? Omit<Kind, "key" | "who" | "revision"> : never) : never;

export interface OrderSteps {
  order: Order;
  /** Why the last step was not taken. */
  problem: string | null;
  busy: boolean;
  step: (step: Sent) => Promise<boolean>;
  /** A step that rests on the order as it is seen: refused where somebody took another in between. */
  press: (kind: Order["next"]["buttons"][number]["kind"]) => Promise<boolean>;
  /** One piece held against the order. Answers what was said of it. */
  scan: (code: string, doing: "pick" | "check") => Promise<{ taken: boolean; said: string } | null>;
}

/** What is done with an order, one step after the other. */
export function useOrderSteps(order: Order): OrderSteps {
  const cache = useQueryClient();
  const stale = useStale();
  const [problem, setProblem] = useState<string | null>(null);
  const keep = (fresh: Order) => {
    setProblem(null);
    cache.setQueryData(["orders", fresh.id, null], fresh);
    stale("step");
  };
  const path = { path: { id: order.id } };
  const stepping = useMutation({
    mutationFn: (step: Sent) => told(api.POST("/api/orders/{id}/steps", { params: path, body: { ...step, key: freshKey() } })),
    scope: { id: `order ${order.id}` },
    onSuccess: keep,
    onError: (error) => setProblem(error.message),
  });
  const scanning = useMutation({
    mutationFn: (body: { code: string; doing: "pick" | "check" }) => told(api.POST("/api/orders/{id}/scans", { params: path, body: { ...body, key: freshKey() } })),
    scope: { id: `order ${order.id}` },
    onSuccess: (scanned) => keep(scanned.order),
    onError: (error) => setProblem(error.message),
  });
  return {
    order,
    problem,
    busy: stepping.isPending || scanning.isPending,
    step: (step) => stepping.mutateAsync(step).then(() => true, () => false),
    press: (kind) => stepping.mutateAsync({ kind, revision: order.revision } as Sent).then(() => true, () => false),
    scan: (code, doing) => scanning.mutateAsync({ code, doing }).catch(() => null),
  };
}
