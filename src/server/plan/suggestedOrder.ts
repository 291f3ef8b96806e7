import { carryOver } from '../../core/line/hand/carryOver';
import type { LineProblem } from '../../core/line/definitions';
import type { BuiltLine } from '../../core/plan/build/buildLine';
import { isWaiting } from '../../core/scheme/model/definitions';
import { selectionKey, type Selection } from '../../core/plan/selection';
import type { FoundOrder } from '../../data/stores/workshopStore';
import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import { datedLine } from '../workshop/datedLine';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { quickOrder } from './quickOrder';

/** An order that knows fewer of the jobs than this is not worth carrying over: the work has become another. */
const KNOWN_SHARE = 0.8;

const FOUND = memoKey<number>('how many orders have been found');
/** Until a search has found one, the quick order stays what it was while its jobs are painted one after the other. */
const QUICK = memoKey<Map<string, string[]>>('quick orders, by selection');

/** How many orders have been found: what was planned before the last one is not up to date. */
export const ordersFound = (stores: Stores): number => stores.memory.get(FOUND) ?? 0;

/** A line as it is planned: its units as they are, or taken as approved where a test model waits. */
export interface PlannedLine {
  selection: Selection;
  units: readonly Pick<WorkUnit, 'testModel' | 'testedBy' | 'isHeld'>[];
}

/** Tells a line from others: while test models wait, it is another one than with their batches. */
export const lineKey = ({ selection, units }: PlannedLine): string =>
  `${selectionKey(selection)}${units.some(isWaiting) ? ' while test models wait' : ''}`;

/** Keeps an order, so that every view plans with it, tomorrow too. */
export async function keepOrder(stores: Stores, line: PlannedLine, found: FoundOrder): Promise<void> {
  await stores.workshop.saveFoundOrder(lineKey(line), found);
  stores.memory.set(FOUND, ordersFound(stores) + 1);
}

/**
 * The order (job ids) that the program suggests for these units: what a search has found, carried over to what is left today, else a
 * good one found in a moment. Asking for it writes nothing.
 */
export async function suggestedOrder(
  stores: Stores,
  workshop: Workshop,
  line: PlannedLine,
  built: BuiltLine,
  now: Date,
): Promise<string[]> {
  const { problem } = built;
  if (problem.jobs.length === 0) return [];
  const quick = stores.memory.once(QUICK, () => new Map<string, string[]>());
  const key = lineKey(line);
  const known = (await stores.workshop.foundOrder(key))?.order ?? quick.get(key);
  if (known && knownShare(problem, known) >= KNOWN_SHARE) return carryOver(problem, { order: known, wishes: [] }).order;
  const order = await quickOrder(workshop.memory, problem, () => toBePlanned(workshop, built, now));
  quick.set(key, order);
  return order;
}

/** Between commissions the dates decide, within one only the work: it is found sooner in one session. */
async function toBePlanned(workshop: Workshop, built: BuiltLine, now: Date): Promise<LineProblem> {
  const isOfOne = new Set(built.jobs.map((job) => job.commissionId)).size < 2;
  const dated = isOfOne ? null : await datedLine(workshop, built, now);
  return dated?.problem ?? built.problem;
}

function knownShare({ jobs }: LineProblem, order: readonly string[]): number {
  const known = new Set(order);
  return jobs.filter((job) => known.has(job.id)).length / jobs.length;
}
