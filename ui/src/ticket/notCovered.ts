import type { Plan } from "../api/types";

const missing = (plan: Plan) => plan.plans[0]!.unfilled;

export const isShort = (plan: Plan): boolean => missing(plan).length > 0;

/** What of the agreed work nothing on file covers: one figure, wherever it is told. */
export function notCovered(plan: Plan): string {
  const parts = missing(plan);
  return `${parts.length} ${parts.length === 1 ? "part is" : "parts are"} not covered: ${parts.map((one) => one.part ?? one.name).join(", ")}`;
}
