import type { LineProblem } from '../../line/definitions';
import { compileLine } from '../../line/problem/compileLine';
import { solveLine } from '../../line/search/solveLine';
import { timeOrder } from '../../line/timing/timeOrder';
import { buildLine, type BuiltLine } from '../build/buildLine';
import type { Roster } from '../build/roster';
import { lineOf } from './lineSets';
import { withOnePot } from '../../scheme/authoring/onePotForTwo';

/** A line in one session, planned by the engine. */
export interface SharedPlan {
  /** Job ids. */
  order: string[];
  bench: number;
  legs: number;
  /** How often each paint or mix is opened: legs by its id. */
  openings: Map<string, number>;
}

/** All units planned together, and each by itself; what sharing saves is the difference of the two. */
export interface Sharing {
  together: SharedPlan;
  apart: SharedPlan;
}

/** What one paint or mix in place of two brings: the difference of two plans. */
export interface TwinPrice {
  keep: string;
  replace: string;
  savedMinutes: number;
  /** Times that a pot is opened less. */
  openings: number;
}

/** Moves judged for each plan, for a hundred jobs; more jobs get more. */
const STEPS_PER_JOB = 100;
const MOST_STEPS = 30_000;
const SEED = 1;

/** The two plans of the same work. */
export function sharingOf(built: BuiltLine): Sharing {
  const unitOf = new Map(built.jobs.map((job) => [job.id, job.unitId]));
  const units = [...new Set(unitOf.values())];
  const alone = units.map((unit) =>
    planOf(
      built,
      lineOf(built.problem, (id) => unitOf.get(id) === unit),
    ),
  );
  const apart: SharedPlan = {
    order: alone.flatMap(({ order }) => order),
    bench: alone.reduce((sum, { bench }) => sum + bench, 0),
    legs: alone.reduce((sum, { legs }) => sum + legs, 0),
    openings: new Map(),
  };
  for (const { openings } of alone) for (const [id, count] of openings) apart.openings.set(id, (apart.openings.get(id) ?? 0) + count);
  return { together: planOf(built, built.problem, apart.order), apart };
}

/** Plans the same units with one pot for two, from the order that was found with both. */
export function twinPrice(roster: Roster, now: SharedPlan, keep: string, replace: string): TwinPrice & { plan: SharedPlan } {
  const schemes = roster.units.map(({ scheme }) => scheme);
  const units = roster.units.map((unit) => ({ ...unit, scheme: withOnePot(unit.scheme, keep, replace, schemes) }));
  const merged = buildLine({ ...roster, units });
  // The order keeps its places: a job that took the other paint by an option has its name in its id.
  const place = new Map(now.order.map((id, index) => [id.replaceAll(`:${replace}`, `:${keep}`), index]));
  const start = merged.jobs.every(({ id }) => place.has(id))
    ? merged.jobs.map(({ id }) => id).sort((a, b) => place.get(a)! - place.get(b)!)
    : undefined;
  const then = planOf(merged, merged.problem, start);
  const count = (plan: SharedPlan, id: string) => plan.openings.get(id) ?? 0;
  return {
    keep,
    replace,
    savedMinutes: now.bench - then.bench,
    openings: count(now, keep) + count(now, replace) - count(then, keep),
    plan: then,
  };
}

function planOf({ setups }: BuiltLine, problem: LineProblem, start?: readonly string[]): SharedPlan {
  const line = compileLine(problem);
  const index = new Map(problem.jobs.map(({ id }, at) => [id, at]));
  const steps = Math.min(MOST_STEPS, STEPS_PER_JOB * problem.jobs.length);
  const { order } = solveLine(line, {
    seed: SEED,
    steps,
    seeksProof: false,
    ...(start && { start: start.map((id) => index.get(id)!) }),
  });
  const timed = timeOrder(line, order);
  if (!timed.fits) throw new Error('sharing: one endless session holds everything');
  const paintOf = new Map(setups.map((setup) => [setup.id, setup.paint?.id ?? null]));
  const openings = new Map<string, number>();
  for (const { setup } of timed.legs) {
    const paint = paintOf.get(setup);
    if (paint) openings.set(paint, (openings.get(paint) ?? 0) + 1);
  }
  return { order: timed.jobs.map(({ id }) => id), bench: timed.totals.bench, legs: timed.legs.length, openings };
}
