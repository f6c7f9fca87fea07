import { useDeferredValue } from "react";
import { useIdentification, usePlan } from "../api/queries";
import type { Candidate, Identification, Plan, TicketState } from "../api/types";
import { commandOf } from "../ticket/commands";
import { liveReadings } from "../ticket/state";

export interface CounterView {
  found: Identification | undefined;
  /** The candidate that the order is for: taken by hand, else the leading one. */
  pump: Candidate | undefined;
  /** Probability of the pump's order class. */
  sure: number;
  plan: Plan | undefined;
  planProblem: string | null;
}

/** Everything computed from a ticket, kept up to date while the line is still being typed. */
export function useCounter(state: TicketState): CounterView {
  const draft = useDeferredValue(state.draft);
  const found = useIdentification({
    readings: liveReadings(state),
    channel: state.channel,
    scope: state.scope,
    customer_id: state.customer_id,
    chosen: state.model && [state.model, state.serial].filter(Boolean).join(" "),
    ...(commandOf(draft) ? {} : { text: draft }),
  }).data;
  const pump = state.model
    ? found?.candidates.find((one) => one.model === state.model && one.serial_range === state.serial)
    : found?.candidates[0];
  const plan = usePlan(
    pump && state.scope.length > 0
      ? {
          model: pump.model,
          serial: pump.serial_range,
          scope: state.scope,
          policy: state.policy,
          pumps: state.pumps,
          units: state.units,
          findings: state.findings,
        }
      : null,
  );
  return {
    found,
    pump,
    sure: found?.order_classes.find((one) => one.id === pump?.order_class)?.probability ?? 0,
    plan: plan.data,
    planProblem: plan.error?.message ?? null,
  };
}
