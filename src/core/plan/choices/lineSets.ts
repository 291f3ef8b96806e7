import { queuedDates, timePiece, type PieceTimes } from '../dates/benchQueue';
import type { LineProblem, LineWish } from '../../line/definitions';
import { compileLine } from '../../line/problem/compileLine';
import type { CompiledLine } from '../../line/problem/compiledLine';
import { BenchCalendar } from '../../line/timing/BenchCalendar';
import { solveLine } from '../../line/search/solveLine';
import { allAtOnce, type Steps } from '../../kernel/steps';
import { doneDates, FITS_CHANCE } from '../dates/forecast';
import type { BuiltLine } from '../build/buildLine';
import type { JobInfo } from '../build/lineJobs';

/**
 * Which units to paint together. The whole bench is planned twice: as it is, with the units on the line in one order and every
 * other commission behind them, and as it would be. What is saved, and what happens to each date, is the difference of the two.
 */

/** All open work, with the sessions and dates of the bench. */
export interface OpenWork {
  /** Of all open units. */
  built: BuiltLine;
  /** The same in sessions and with dates: the ids of `due` are those of the commissions. */
  problem: LineProblem;
  /** Commissions in the order of the bench's queue. */
  queue: readonly string[];
  /** Factors on the minutes of each pass, by draw. */
  factors: ReadonlyMap<string, ArrayLike<number>>;
}

/** A commission's date in a plan of the whole bench; minutes of the sessions. */
export interface PlannedDate {
  commissionId: string;
  end: number;
  at: number;
  chance: number;
}

export interface BenchPlan {
  /** Job ids of the line. */
  order: string[];
  /** Bench minutes of everything, what is behind the line included. */
  bench: number;
  dates: PlannedDate[];
}

/** Another set of units on the line, against the one that is. */
export interface SetPrice {
  unitIds: string[];
  /** The order found for them, job ids. */
  order: string[];
  /** Bench minutes less over all open work; negative when it costs some. */
  savedMinutes: number;
  before: PlannedDate[];
  after: PlannedDate[];
}

/** Enough for a line of a hundred jobs to settle near its best. */
const STEPS = 10_000;
const SEED = 1;
const DRAWS = 100;
/** A unit is tried only where it shares setups, and so many of those that share most. */
const MOST_TRIED = 5;
const MOST_SUGGESTED = 3;
/** Sets that save less are not worth the bother. */
const WORTH_MINUTES = 1;
/** A chance that falls by less is the noise of the draws. */
const CHANCE_NOISE = 0.02;

export class LineSets {
  private readonly jobs: Map<string, JobInfo>;
  private readonly unitsOf = new Map<string, string[]>();
  private readonly setupsOf = new Map<string, Set<string>>();
  private readonly pieces = new Map<string, Piece | null>();
  private readonly plans = new Map<string, BenchPlan | null>();
  private readonly sessions: CompiledLine;
  readonly unitIds: string[];

  constructor(private readonly work: OpenWork) {
    const { built, problem, queue } = work;
    this.sessions = compileLine(problem);
    this.jobs = new Map(built.jobs.map((job) => [job.id, job]));
    for (const { unitId, setupId } of built.jobs) this.setupsOf.set(unitId, (this.setupsOf.get(unitId) ?? new Set()).add(setupId));
    this.unitIds = [...this.setupsOf.keys()];
    for (const id of queue)
      this.unitsOf.set(id, [...new Set(built.jobs.filter((job) => job.commissionId === id).map((job) => job.unitId))]);
  }

  /** The line of these units is followed in the order given, as it lies there, and not searched anew. */
  know(unitIds: readonly string[], order: readonly string[]): void {
    this.pieces.set(keyOf(unitIds), this.pieceOf(lineOf(this.work.problem, this.isIn(unitIds)), order));
  }

  /** The whole bench with these units on the line; null when the sessions do not hold it. */
  plan(unitIds: readonly string[]): BenchPlan | null {
    const key = keyOf(unitIds);
    const planned = this.plans.get(key);
    if (planned !== undefined) return planned;
    const behind = [...this.unitsOf.values()].map((its) => its.filter((unit) => !unitIds.includes(unit))).filter((its) => its.length > 0);
    const pieces = [unitIds, ...behind].map((its) => this.piece(its));
    const plan = pieces.every((piece) => piece !== null) ? this.planOf(pieces) : null;
    this.plans.set(key, plan);
    return plan;
  }

  /** What it brings to have these units on the line and not those; null when the sessions do not hold one of the two. */
  price(from: readonly string[], to: readonly string[]): SetPrice | null {
    const before = this.plan(from);
    const after = before && this.plan(to);
    if (!before || !after) return null;
    return { unitIds: [...to], order: after.order, savedMinutes: before.bench - after.bench, before: before.dates, after: after.dates };
  }

  /** Each unit put on the line or taken off it, one at a time; one step for each. */
  *singly(onLine: readonly string[]): Steps<[unitId: string, price: SetPrice][]> {
    return yield* this.toggled(
      onLine,
      this.unitIds.map((unit) => [unit, [unit]]),
    );
  }

  /** Each commission put on the line as a whole, or taken off it; or only one of them. */
  *byCommission(onLine: readonly string[], only: string | null = null): Steps<[commissionId: string, price: SetPrice][]> {
    return yield* this.toggled(
      onLine,
      [...this.unitsOf].filter(([id]) => only === null || id === only),
    );
  }

  private *toggled(onLine: readonly string[], groups: [id: string, unitIds: string[]][]): Steps<[string, SetPrice][]> {
    const prices: [string, SetPrice][] = [];
    for (const [id, units] of groups) {
      const others = onLine.filter((each) => !units.includes(each));
      const next = units.every((unit) => onLine.includes(unit)) ? others : [...others, ...units];
      const price = next.length === 0 || units.length === 0 ? null : this.price(onLine, next);
      if (price) prices.push([id, price]);
      yield;
    }
    return prices;
  }

  /**
   * Sets that save bench time, those that harm no date first and of those the best first. They grow from the units of each
   * commission, and from those on the line, by whatever unit saves most without harming a date; all units together are the last resort.
   */
  *suggest(onLine: readonly string[]): Steps<SetPrice[]> {
    const found = new Map<string, SetPrice>();
    const offer = (price: SetPrice | null) => price && found.set(keyOf(price.unitIds), price);
    for (const seed of [onLine, ...this.unitsOf.values()].filter(({ length }) => length > 0)) {
      let best = this.price(onLine, seed);
      for (let grown = true; best && grown;) {
        grown = false;
        let better: SetPrice | null = null;
        for (const unit of this.partnersOf(best.unitIds)) {
          const price = this.price(onLine, [...best.unitIds, unit]);
          yield;
          if (price && !harms(price) && price.savedMinutes > (better ?? best).savedMinutes + WORTH_MINUTES) better = price;
        }
        if (!better) continue;
        best = better;
        grown = true;
      }
      offer(best);
    }
    offer(this.price(onLine, this.unitIds));
    yield;
    return [...found.values()]
      .filter((price) => price.savedMinutes > WORTH_MINUTES && keyOf(price.unitIds) !== keyOf(onLine))
      .sort((a, b) => Number(harms(a)) - Number(harms(b)) || b.savedMinutes - a.savedMinutes)
      .slice(0, MOST_SUGGESTED);
  }

  /** Units outside a set that share most setups with it. */
  private partnersOf(unitIds: readonly string[]): string[] {
    const setups = new Set(unitIds.flatMap((unit) => [...this.setupsOf.get(unit)!]));
    return this.unitIds
      .filter((unit) => !unitIds.includes(unit))
      .map((unit) => ({ unit, shared: [...this.setupsOf.get(unit)!].filter((setup) => setups.has(setup)).length }))
      .filter(({ shared }) => shared > 0)
      .sort((a, b) => b.shared - a.shared)
      .slice(0, MOST_TRIED)
      .map(({ unit }) => unit);
  }

  private isIn(unitIds: readonly string[]): (jobId: string) => boolean {
    const units = new Set(unitIds);
    return (id) => units.has(this.jobs.get(id)!.unitId);
  }

  private piece(unitIds: readonly string[]): Piece | null {
    const key = keyOf(unitIds);
    const known = this.pieces.get(key);
    if (known !== undefined) return known;
    const problem = lineOf(this.work.problem, this.isIn(unitIds));
    const start = this.startFor(unitIds, problem);
    const { order } = solveLine(compileLine(inOneSitting(problem)), {
      seed: SEED,
      steps: STEPS,
      seeksProof: false,
      ...(start && { start }),
    });
    const piece = this.pieceOf(
      problem,
      Array.from(order, (job) => problem.jobs[job]!.id),
    );
    this.pieces.set(key, piece);
    return piece;
  }

  /** A search begins no worse than from the largest line known that lies within, with the other units behind it. */
  private startFor(unitIds: readonly string[], { jobs }: LineProblem): Int32Array | undefined {
    let largest: Piece | null = null;
    for (const piece of this.pieces.values()) {
      const isWithin = piece?.unitIds.every((unit) => unitIds.includes(unit));
      if (isWithin && piece!.unitIds.length < unitIds.length && piece!.order.length > (largest?.order.length ?? 0)) largest = piece!;
    }
    if (!largest) return undefined;
    const rest = this.piece(unitIds.filter((unit) => !largest.unitIds.includes(unit)));
    if (!rest) return undefined;
    const indexes = new Map(jobs.map(({ id }, index) => [id, index]));
    return Int32Array.from([...largest.order, ...rest.order], (id) => indexes.get(id)!);
  }

  private pieceOf(problem: LineProblem, order: readonly string[]): Piece | null {
    const line = compileLine(problem);
    const indexes = new Map(problem.jobs.map(({ id }, index) => [id, index]));
    const factors = problem.jobs.map(({ id }) => this.work.factors.get(this.jobs.get(id)!.passKey) ?? ALWAYS);
    const times = allAtOnce(
      timePiece(
        line,
        Int32Array.from(order, (id) => indexes.get(id)!),
        factors,
        DRAWS,
      ),
    );
    return times && { ...times, order: [...order], unitIds: [...new Set(order.map((id) => this.jobs.get(id)!.unitId))] };
  }

  private planOf(pieces: readonly Piece[]): BenchPlan {
    return {
      order: pieces[0]!.order,
      bench: pieces.reduce((sum, { bench }) => sum + bench, 0),
      dates: queuedDates(this.sessions, pieces).map(({ id, at, end, ends }) => ({
        commissionId: id,
        end,
        at,
        chance: doneDates(ends, end, at, null).chance,
      })),
    };
  }
}

interface Piece extends PieceTimes {
  unitIds: string[];
  /** Job ids. */
  order: string[];
}

/**
 * A line without its nights, for the search: nights hide what minutes cost, as a model that just does not fit moves a day. Its dates
 * are the bench minutes until them. Put into the sessions, an order only gains: drying goes on in the night.
 */
function inOneSitting(problem: LineProblem): LineProblem {
  const calendar = new BenchCalendar(compileLine(problem));
  const { sessions: _sessions, ...rest } = problem;
  return { ...rest, due: problem.due?.map((date) => ({ ...date, at: calendar.benchTimeAt(date.at) })) };
}

/** For work whose draws nobody knows. */
const ALWAYS = new Float64Array(DRAWS).fill(1);

const keyOf = (unitIds: readonly string[]): string => unitIds.toSorted().join('\u0001');

/** The jobs of a line that are asked for, as a line of their own. */
export function lineOf(problem: LineProblem, isWanted: (jobId: string) => boolean): LineProblem {
  const jobs = problem.jobs.filter(({ id }) => isWanted(id));
  const trays = new Set(jobs.map(({ tray }) => tray));
  return {
    ...problem,
    trays: problem.trays.filter(({ id }) => trays.has(id)),
    jobs: jobs.map((job) =>
      job.after.every(({ job: other }) => isWanted(other)) ? job : { ...job, after: job.after.filter(({ job: other }) => isWanted(other)) },
    ),
    prefer: problem.prefer?.filter(({ first, then }) => isWanted(first) && isWanted(then)),
    wishes: problem.wishes?.flatMap((wish) => (wish.kind === 'variety' ? varietyOf(wish, trays) : [])),
    due: problem.due?.map((date) => ({ ...date, jobs: date.jobs.filter(isWanted) })).filter((date) => date.jobs.length > 0),
  };
}

/** What is left of a wish for variety; with one group there is nothing to go on with. */
function varietyOf(wish: Extract<LineWish, { kind: 'variety' }>, trays: ReadonlySet<string>): LineWish[] {
  const groups = wish.groups.map((group) => group.filter((tray) => trays.has(tray))).filter((group) => group.length > 0);
  return groups.length < 2 ? [] : [{ ...wish, groups }];
}

/** Does a set make a date later that was kept, or unsafe that was safe? */
export const harms = ({ before, after }: SetPrice): boolean => after.some((date) => harmOf(before, date) !== null);

/** What happens to one date: it is missed and was not, missed by more, or no longer safe; null when nothing of the kind. */
export function harmOf(before: readonly PlannedDate[], after: PlannedDate): 'late' | 'later' | 'unsafe' | null {
  const was = before.find(({ commissionId }) => commissionId === after.commissionId);
  if (!was) return null;
  if (after.end > after.at) return was.end <= was.at ? 'late' : after.end > was.end ? 'later' : null;
  return was.chance >= FITS_CHANCE && after.chance < FITS_CHANCE - CHANCE_NOISE ? 'unsafe' : null;
}
