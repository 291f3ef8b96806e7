import { carryOver, type OwnLine } from '../../core/line/hand/carryOver';
import type { LineProblem } from '../../core/line/definitions';
import type { BuiltLine } from '../../core/plan/build/buildLine';
import { selectionKey, type Selection } from '../../core/plan/selection';
import { memoKey } from '../running/Memory';
import { letOthersIn } from '../running/inSlices';
import { quickOrder } from './quickOrder';
import type { Stores } from '../stores/stores';
import { datedLine } from '../workshop/datedLine';
import type { Workshop } from '../workshop/loadWorkshop';

const FOUND = memoKey<number>('how many orders searches have found');

/** How many orders searches have found: what was planned before the last one is not up to date. */
export const suggestionsOf = (stores: Stores): number => stores.memory.get(FOUND) ?? 0;

/** Keeps the order a search has found, so that every view plans with it, tomorrow too. */
export async function suggestOrder(stores: Stores, selection: Selection, order: readonly string[]): Promise<void> {
  await stores.workshop.savePlannedOrder(selection, order);
  stores.memory.set(FOUND, suggestionsOf(stores) + 1);
}

/** An order that knows fewer of the jobs than this is not worth carrying over: the work has become another. */
const KNOWN_SHARE = 0.8;

/**
 * The order that the bench will follow for these units: what lies on the bench, the painter's own, what a search has found,
 * else a good one found in a moment. Every figure of every view is of this order.
 */
export async function plannedOrder(
  stores: Stores,
  workshop: Workshop,
  selection: Selection,
  built: BuiltLine,
  now: Date,
): Promise<string[]> {
  const { problem } = built;
  if (problem.jobs.length === 0) return [];
  const line = (await benchLineFor(stores, selection)) ?? (await stores.workshop.ownLine(selection));
  await letOthersIn();
  if (line) return carryOver(problem, line).order;
  const found = await stores.workshop.plannedOrder(selection);
  if (found && knownShare(problem, found) >= KNOWN_SHARE) return carryOver(problem, { order: found, wishes: [] }).order;
  const order = await quickOrder(workshop.memory, problem, () => toBePlanned(workshop, built, now));
  await stores.workshop.savePlannedOrder(selection, order);
  return order;
}

/** Between commissions the dates decide, within one only the work: it is found sooner in one sitting. */
async function toBePlanned(workshop: Workshop, built: BuiltLine, now: Date): Promise<LineProblem> {
  const isOfOne = new Set(built.jobs.map((job) => job.commissionId)).size < 2;
  const dated = isOfOne ? null : await datedLine(workshop, built, now);
  return dated?.problem ?? built.problem;
}

function knownShare({ jobs }: LineProblem, order: readonly string[]): number {
  const known = new Set(order);
  return jobs.filter((job) => known.has(job.id)).length / jobs.length;
}

async function benchLineFor(stores: Stores, selection: Selection): Promise<OwnLine | null> {
  const bench = await stores.workshop.bench();
  return bench && selectionKey(bench.selection) === selectionKey(selection) ? bench : null;
}
