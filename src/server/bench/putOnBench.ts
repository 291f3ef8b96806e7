import { object, type InferType } from 'yup';
import { ownLine } from '../../core/formats/commission';
import { InputError } from '../../core/formats/InputError';
import { carryOver } from '../../core/line/hand/carryOver';
import { checkedLine } from '../line/checkedLine';
import { lineLeft, wholeLine } from '../workshop/builtLine';
import { chosenUnits, selectionSchema } from '../workshop/choice';
import { loadWorkshop } from '../workshop/loadWorkshop';
import type { Stores } from '../stores';

export const putOnBenchSchema = object({ selection: selectionSchema, line: ownLine().required() });

/** Puts an order over chosen units on the bench, in place of the one that was there; what is painted stays painted. */
export async function putOnBench(stores: Stores, { selection, line }: InferType<typeof putOnBenchSchema>, now: Date): Promise<void> {
  const workshop = await loadWorkshop(stores, now);
  const units = chosenUnits(workshop, selection);
  const built = await lineLeft(workshop, units);
  if (built.jobs.length === 0) throw new InputError('line.order', line.order, 'nothing is left to paint here: add steps to a scheme first');
  const order = checkedLine(built.problem, line);
  await stores.workshop.putOnBench({ ...(await withPaintedJobs(order)), selection, laidAt: now.toISOString() });

  /** Jobs painted already have their place in the order too, so that they are not taken for new ones when a model is repainted. */
  async function withPaintedJobs(own: typeof order) {
    const all = await wholeLine(workshop, units);
    return { order: carryOver(all.problem, { order: own.order, wishes: [] }).order, wishes: own.wishes };
  }
}

/** Takes what has come and gone since the line was laid for known: the order on the bench becomes that of today. */
export async function acceptChanges(stores: Stores, now: Date): Promise<void> {
  const bench = await stores.workshop.bench();
  if (!bench) return;
  const workshop = await loadWorkshop(stores, now);
  const all = await wholeLine(workshop, chosenUnits(workshop, bench.selection));
  const order = all.jobs.length === 0 ? [] : carryOver(all.problem, bench).order;
  await stores.workshop.putOnBench({ ...bench, order });
}
