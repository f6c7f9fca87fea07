import type { TicketView } from "../api/types";

/** What stands on the page until the server has answered, so that typing can begin at once. It promises nothing. */
export const blankView = (id: number | null): TicketView => ({
  id,
  last: 0,
  stops: [],
  ticket: {
    channel: "phone", customer_id: null, customer: null, scope: [], agreed: false, pumps: 1, positions: {}, extent: "recommended", findings: [], had: {}, fixed: [], owned: [], extension: null, chosen: null, policy: null,
    unit: "N·m", late: [], complaints: [], wishes: [], settled: [], state: "open", sighted: null, wanted: null, day_offered: null, amends: null,
  },
  call: [],
  found: {
    readings: [], candidates: [], order_classes: [], enough_to_order: false, next_questions: [], contradictions: [], differences: [], to_open: [], nearest: null,
    plausible: true, none: 0, pumps: 0, orders: 0, lacking: [], flow: null, faces: [], part_differences: [],
    heard: { scope: [], pumps: null, unread: [], complaints: [], wishes: [], unit: null },
  },
  pump: null,
  plan: null,
  seen: null,
  tray: { name: null, certain: [], open: [], price_cents: 0, gross_cents: 0 },
  turns: { most: null, less: [] },
  lacking: [{ id: "nothing", text: "" }], enough: false, jobs: [],
  together: null,
  settled: { pump: false, work: false, parts: false, tools: false, tightening: false, hand_over: false },
  doubt: null,
  order_id: null,
  phrases: [],
  diagnosis: null,
  extents: [],
  measured: [],
  amending: null,
  drips: null,
});
