import type { Identification, ReadingInput, TicketState, WorkArea } from "../api/types";

export const freshTicket: TicketState = {
  channel: "phone",
  customer_id: null,
  readings: [],
  draft: "",
  scope: [],
  scope_agreed: false,
  model: null,
  serial: null,
  pumps: 1,
  policy: "on_shelf",
  units: "N·m",
  findings: [],
};

/** Readings that count: not struck out. */
export const liveReadings = (state: TicketState): ReadingInput[] =>
  state.readings.filter((row) => !row.struck).map((row) => row.reading);

/**
 * The ticket after a line was understood; `answer` is the server's answer to all readings and the line. What was typed in the
 * meantime stays.
 */
export function withLine(state: TicketState, line: string, answer: Identification): TicketState {
  const before = liveReadings(state).length;
  const added = answer.readings.slice(before).map((reading) => ({ struck: false, reading: inputOf(reading) }));
  const heard = answer.heard.scope.filter((area) => !state.scope.includes(area));
  return {
    ...state,
    draft: state.draft === line ? "" : state.draft,
    readings: [...state.readings, ...added],
    scope: state.scope_agreed ? state.scope : [...state.scope, ...heard],
    pumps: answer.heard.pumps ?? state.pumps,
  };
}

export const withReading = (state: TicketState, reading: ReadingInput): TicketState => ({
  ...state,
  draft: "",
  readings: [...state.readings, { struck: false, reading }],
});

export const withStruck = (state: TicketState, index: number): TicketState => ({
  ...state,
  readings: state.readings.map((row, at) => (at === index ? { ...row, struck: !row.struck } : row)),
});

export const withArea = (state: TicketState, area: WorkArea, wanted: boolean): TicketState => ({
  ...state,
  scope: wanted ? [...state.scope, area] : state.scope.filter((one) => one !== area),
});

function inputOf(reading: Identification["readings"][number]): ReadingInput {
  const { trait, value, range, unknown, unit, observer, tool, heard } = reading;
  return {
    trait,
    observer,
    tool,
    ...(heard ? { heard } : {}),
    ...(unit ? { unit } : {}),
    ...(unknown ? { unknown } : range ? { range: [range[0]!, range[1]!] as [number, number] } : { value: value! }),
  };
}
