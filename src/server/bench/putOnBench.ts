import { object, type InferType } from 'yup';
import { benchLineInSteps } from '../../core/bench/guide/benchLine';
import { ownLine } from '../../core/formats/commission/commission';
import { InputError } from '../../core/kernel/InputError';
import { carryOver, type OwnLine } from '../../core/line/hand/carryOver';
import type { LineProblem } from '../../core/line/definitions';
import { selectionKey } from '../../core/plan/selection';
import type { BenchOrder } from '../../core/bench/benchOrder';
import { ConflictError } from '../stores/errors';
import { inSlices } from '../running/inSlices';
import { checkedLine } from '../plan/checkedLine';
import { lineLeft } from '../workshop/builtLine';
import { chosenUnits, selectionSchema } from '../workshop/choice';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';
import type { Stores } from '../stores/stores';
import { lineOnBench } from './lineOnBench';

export const putOnBenchSchema = object({ selection: selectionSchema, line: ownLine().required() });

/**
 * Puts an order over chosen units on the bench, in place of the one that was there; what is painted stays painted. The line that
 * was there is kept, so that it can be put back. The same order put there again changes nothing.
 */
export async function putOnBench(stores: Stores, { selection, line }: InferType<typeof putOnBenchSchema>, now: Date): Promise<void> {
  const workshop = await loadWorkshop(stores, now);
  const units = chosenUnits(workshop, selection);
  const built = await lineLeft(workshop, units);
  if (built.jobs.length === 0) throw new InputError('line.order', line.order, 'nothing is left to paint here: add steps to a scheme first');
  const order = checkedLine(built.problem, line);
  const before = await stores.workshop.bench();
  if (before && selectionKey(before.selection) === selectionKey(selection) && isSameLine(built.problem, before, order))
    return acceptChanges(stores, now);
  // Painted jobs are named too, so that they are not taken for new ones when a model is repainted.
  const { jobs } = await inSlices(benchLineInSteps(rosterOf(workshop, units), order.order));
  const replaced = before && chosenUnits(workshop, before.selection).length > 0 ? withoutReplaced(before) : null;
  await stores.workshop.putOnBench({
    order: jobs.map(({ id }) => id),
    wishes: order.wishes,
    selection,
    laidAt: now.toISOString(),
    replaced,
  });
}

function isSameLine(problem: LineProblem, before: OwnLine, line: OwnLine): boolean {
  const carried = carryOver(problem, before);
  return JSON.stringify([carried.order, carried.wishes]) === JSON.stringify([line.order, line.wishes]);
}

const withoutReplaced = ({ replaced: _, ...order }: BenchOrder): Omit<BenchOrder, 'replaced'> => order;

/** Puts the line back that the one on the bench has replaced; that one can be put back in turn. */
export async function putBackLine(stores: Stores): Promise<void> {
  const bench = await stores.workshop.bench();
  if (!bench?.replaced) throw new ConflictError('There is no earlier line to bring back: it may have been brought back in another window.');
  await stores.workshop.putOnBench({ ...bench.replaced, replaced: withoutReplaced(bench) });
}

/** Takes what has come and gone since the line was laid for known: the order on the bench becomes that of today. */
export async function acceptChanges(stores: Stores, now: Date): Promise<void> {
  const bench = await stores.workshop.bench();
  if (!bench) return;
  const workshop = await loadWorkshop(stores, now);
  const units = chosenUnits(workshop, bench.selection);
  const { jobs } = await lineOnBench(workshop, units, rosterOf(workshop, units), bench);
  const order = jobs.map(({ id }) => id);
  if (JSON.stringify(order) !== JSON.stringify(bench.order)) await stores.workshop.putOnBench({ ...bench, order });
}
