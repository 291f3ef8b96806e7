import { readOrder } from '../../line/problem/readOrder';
import type { CompiledLine } from '../../line/problem/compiledLine';
import { compileLine } from '../../line/problem/compileLine';
import type { LineProblem, LineTotals } from '../../line/definitions';
import { solveLine, type SolveOptions } from '../../line/search/solveLine';
import { timeOrder } from '../../line/timing/timeOrder';
import { buildLine } from '../build/buildLine';
import type { Roster } from '../build/roster';
import type { HouseRules } from '../../scheme/model/houseRules';
import { jobMinutes, type JobInfo } from '../build/lineJobs';
import { approved, type Unit } from '../../scheme/model/definitions';
import { splitTrays } from '../../scheme/passes/splitTrays';

/** One way to split a unit, and what the best order found for it comes to. */
export interface TrayChoice {
  /** Most models on a tray. */
  limit: number;
  /** Models on each tray. */
  trays: number[];
  totals: LineTotals;
  /** The job of the unit that is longest in the hand before its tray may be put down; minutes of work. */
  stretch: { minutes: number; job: JobInfo };
  /** All jobs of the line in the best order found. */
  order: JobInfo[];
}

/** What to try: the unit within the line of the whole commission, or by itself. */
export type TrayScope = 'whole line' | 'alone';

/** Moves judged for each split: enough for a hundred jobs to settle within a minute or two of their best. */
export const SPLIT_STEPS = 25_000;

/** More trays of one unit than this are not worth carrying about, nor worth the search. */
const MOST_TRAYS = 40;

/**
 * The limits that split so many models differently, largest first: 20, 10, 7, 5, 4, 3, 2, 1 for twenty. Only those that
 * a holder takes, and the limit that splits them as they are split now.
 */
export function trayLimits(models: number, holderModels: number, now: number): number[] {
  const limits = Array.from({ length: Math.min(models, MOST_TRAYS) }, (_, index) => Math.ceil(models / (index + 1)));
  const current = sameSplit(models, now);
  return [...new Set([...limits.filter((limit) => limit <= holderModels), current])].sort((a, b) => b - a);
}

/** The largest tray that a limit leads to: with at most eight on a tray, twenty travel as 7, 7 and 6. */
export const sameSplit = (models: number, limit: number): number => Math.ceil(models / Math.ceil(models / limit));

/** Models on each tray of a unit under a limit. */
export const traySizes = (unit: Unit, trayLimit: number, house: Pick<HouseRules, 'schools'>): number[] =>
  splitTrays({ ...unit, trayLimit }, house).map((tray) => tray.models.length);

/**
 * Builds the line anew for each limit, with the unit split that way, and looks for its best order; each search starts from
 * the order found for the limit before as well, so that finer trays are not thought worse for want of searching. Nothing
 * comes when nothing of the unit is left to paint.
 */
export function* tryTrays(
  roster: Roster,
  unitId: string,
  limits: readonly number[],
  scope: TrayScope,
  options: Pick<SolveOptions, 'seed' | 'steps'>,
): Generator<TrayChoice> {
  let before: { jobs: readonly JobInfo[]; order: ArrayLike<number> } | null = null;
  for (const trayLimit of limits) {
    const units = roster.units
      .filter((unit) => scope === 'whole line' || unit.id === unitId)
      .map((unit) => approved(unit.id === unitId ? { ...unit, trayLimit } : unit));
    const { jobs, problem } = buildLine({ ...roster, units });
    const own = jobs.filter((job) => job.unitId === unitId);
    if (own.length === 0) return;
    const line = compileLine(problem);
    const start: Int32Array | null = before && orderFrom(before.jobs, before.order, jobs, problem);
    const { order } = solveLine(line, { ...options, seeksProof: false, ...(start && { start }) });
    before = { jobs, order };
    yield choiceOf(
      roster.house,
      units.find((unit) => unit.id === unitId)!,
      own,
      line,
      order,
      jobs,
    );
  }
}

function choiceOf(house: HouseRules, unit: Unit, own: JobInfo[], line: CompiledLine, order: Int32Array, jobs: JobInfo[]): TrayChoice {
  const timed = timeOrder(line, order);
  if (!timed.fits) throw new Error('tryTrays: one endless session holds every order');
  return {
    limit: unit.trayLimit,
    trays: traySizes(unit, unit.trayLimit, house),
    totals: timed.totals,
    order: Array.from(order, (job) => jobs[job]!),
    stretch: own
      .map((job) => ({ job, minutes: jobMinutes(job) }))
      .reduce((longest, each) => (each.minutes > longest.minutes ? each : longest)),
  };
}

/**
 * The order of a line split otherwise, as far as it can be kept: a job goes where the last job of its pass stood that had
 * any of its models. Null when that breaks a rule, as it may where some models of a tray are painted already.
 */
function orderFrom(
  jobsBefore: readonly JobInfo[],
  order: ArrayLike<number>,
  jobs: readonly JobInfo[],
  problem: LineProblem,
): Int32Array | null {
  const places = new Map<string, number>();
  for (let place = 0; place < order.length; place++) {
    const { unitId, passKey, models } = jobsBefore[order[place]!]!;
    for (const model of models) places.set(`${unitId} ${passKey} ${model}`, place);
  }
  const placeOf = jobs.map(({ unitId, passKey, models }) =>
    Math.max(...models.map((model) => places.get(`${unitId} ${passKey} ${model}`) ?? 0)),
  );
  const start = Array.from(jobs.keys()).sort((a, b) => placeOf[a]! - placeOf[b]! || a - b);
  try {
    return readOrder(
      problem,
      start.map((job) => jobs[job]!.id),
    );
  } catch {
    return null;
  }
}

/** What is shown in whole minutes is compared so. */
const STRETCH_ROUNDING = 0.5;

/** Does a split keep the painter at one thing no longer than the limit of House rules? */
export const isWithin = ({ stretch }: TrayChoice, stretchMinutes: number): boolean => stretch.minutes < stretchMinutes + STRETCH_ROUNDING;

/** Totals this near are the same: the rest is rounding. */
const ROUNDING = 1e-6;

/**
 * The split with the fewest minutes at the bench among those whose stretches stay within the painter's limit; when none does, the one whose stretch
 * comes nearest. Of equals the largest, which asks for the fewest trays. Null when there is no choice at all.
 */
export function sweetSpot(choices: readonly TrayChoice[], stretchMinutes: number): TrayChoice | null {
  const within = choices.filter((choice) => isWithin(choice, stretchMinutes));
  const shortest = Math.min(...choices.map(({ stretch }) => stretch.minutes));
  const open = within.length > 0 ? within : choices.filter(({ stretch }) => stretch.minutes === shortest);
  const least = Math.min(...open.map(({ totals }) => totals.bench));
  const best = open.filter(({ totals }) => totals.bench <= least + ROUNDING);
  return best.toSorted((a, b) => b.limit - a.limit)[0] ?? null;
}

/** Work that stands between two passes of a unit in an order, while the first dries. */
export interface Filler {
  unitName: string;
  job: JobInfo;
  minutes: number;
}

/** What fills a drying in the order of a split: all other work between the first job of one pass and the first of the next, most first. */
export function fillersOf(order: readonly JobInfo[], passKey: string, nextPassKey: string): Filler[] {
  const from = order.findIndex((job) => job.passKey === passKey);
  const to = order.findIndex((job) => job.passKey === nextPassKey);
  if (from < 0 || to < from) return [];
  return order
    .slice(from + 1, to)
    .filter((job) => job.passKey !== passKey)
    .map((job) => ({ unitName: job.unitName, job, minutes: jobMinutes(job) }))
    .sort((a, b) => b.minutes - a.minutes);
}
