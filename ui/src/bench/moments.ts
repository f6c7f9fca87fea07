import type { Bench, BenchFastener, BenchSection, Stack } from "../api/types";

/** One thing to do at the bench, with what is looked at and tightened while it is done. */
export interface Moment {
  id: string;
  /** Which section of the card it is of. */
  key: BenchSection["key"];
  section: string;
  lines: BenchSection["lines"];
  /** Cautions that are due in all of its section. */
  due: BenchSection["cautions"];
  stacks: Stack[];
  fasteners: BenchFastener[];
  refit: Bench["refit"];
}

/** Sections that are laid out or counted as a whole; the others are done line by line. */
const WHOLE: readonly BenchSection["key"][] = ["part", "held", "tool", "used", "out", "look", "back"];

/** The card in the order of the work: each drawing and each torque beside the step that needs it. */
export function momentsOf(bench: Bench): Moment[] {
  const shown = new Set<string>();
  const once = <T extends { id: string }>(found: T[]) => found.filter((one) => !shown.has(one.id) && shown.add(one.id));
  const moments = bench.sections.flatMap((section) => {
    const parts = WHOLE.includes(section.key) ? [section.lines] : section.lines.map((line) => [line]);
    return parts.map((lines, at): Moment => ({
      id: `${section.key} ${at}`, key: section.key, section: section.title, lines, due: section.cautions,
      stacks: once(bench.stacks.filter((stack) => lines.some((line) => line.stacks.includes(stack.id)))),
      fasteners: once(bench.tightening.filter((one) => lines.some((line) => line.fasteners.includes(one.id)))),
      refit: null,
    }));
  });
  return withRest(bench, moments, shown);
}

/** What no step of the card names (orders of earlier versions) has its place all the same: stacks before closing, torques when all is closed. */
function withRest(bench: Bench, moments: Moment[], shown: ReadonlySet<string>): Moment[] {
  const stacks = bench.stacks.filter((one) => !shown.has(one.id));
  const fasteners = bench.tightening.filter((one) => !shown.has(one.id));
  const extra = (key: Moment["key"], section: string, rest: Partial<Moment>): Moment => ({ id: `${section} 0`, key, section, lines: [], due: [], stacks: [], fasteners: [], refit: null, ...rest });
  const before = [
    ...(stacks.length > 0 ? [extra("renew", "Which way round", { stacks })] : []),
    ...(bench.refit ? [extra("close", "Before the manifold goes on", { refit: bench.refit })] : []),
  ];
  const closing = moments.findIndex((one) => one.key === "close");
  const finish = moments.findIndex((one) => one.key === "finish");
  const place = closing >= 0 ? closing : finish >= 0 ? finish : moments.length;
  const end = finish >= 0 ? finish : moments.length;
  return [
    ...moments.slice(0, place), ...before, ...moments.slice(place, end),
    ...(fasteners.length > 0 ? [extra("close", "Tighten", { fasteners })] : []), ...moments.slice(end),
  ];
}

const hasBoxes = (moment: Moment) => moment.fasteners.length > 0 || moment.lines.some((line) => line.boxes.length > 0);

/** Whether each of them is done; what is only looked at is done with what comes before it. */
export function doneOf(moments: Moment[]): boolean[] {
  return moments.reduce<boolean[]>((done, moment, index) => [...done, hasBoxes(moment) ? isTicked(moment) : done[index - 1] ?? false], []);
}

const isTicked = (moment: Moment): boolean =>
  moment.lines.every((line) => line.boxes.every((box) => box.done)) && moment.fasteners.every((one) => one.at >= one.turns.length);
