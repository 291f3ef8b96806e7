import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';
import type { LineProblem } from '../../core/line/definitions';
import { noMarks } from '../../core/bench/replay/foldMarks';
import { buildLineInSteps } from '../../core/plan/build/buildLine';
import type { Roster } from '../../core/plan/build/roster';
import { approved, type Standard } from '../../core/scheme/model/definitions';
import { normMinutes } from '../../core/time/fit/norms';
import { memoKey } from '../running/Memory';
import { inSlices } from '../running/inSlices';
import { searchOrder } from './quickOrder';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';

/**
 * An order found at the norms by so many steps is as good as the plan that a line has before anybody searches for a better one: on the
 * demo within a hundredth. With more, quotes would promise hours that only a long search on the Line view keeps.
 */
const STEPS = 2_000;
const MOST_KEPT_BYTES = 8_000_000;
const BYTES_OF_ENTRY = 200;
/** Orders go by what they are of, not by when they were asked for: those that nobody asks for any more make room. */
const ORDERS = memoKey<LRUCache<string, string[], LineProblem>>('orders from the start, by their problems');
const ordersOf = (stores: Stores) =>
  stores.memory.once(
    ORDERS,
    () =>
      new LRUCache<string, string[], LineProblem>({
        maxSize: MOST_KEPT_BYTES,
        sizeCalculation: (order) => order.reduce((sum, id) => sum + id.length, BYTES_OF_ENTRY),
        fetchMethod: (_key, _stale, { context }) => searchOrder(context, STEPS),
        ignoreFetchAbort: true,
      }),
  );

/**
 * The order (job ids) by which work is priced that is painted from the start. It follows from the schemes, counts, trays and House
 * rules alone: it is sought at the shipped norms, so neither a row of the log, nor a line laid at the bench, nor an order found
 * elsewhere moves a price by moving jobs about.
 */
export async function orderFromTheStart(
  stores: Stores,
  workshop: Workshop,
  units: readonly WorkUnit[],
  standard: Standard,
): Promise<string[]> {
  const its = units.map((unit) => approved({ ...unit, standard }));
  const roster: Roster = {
    ...rosterOf({ ...workshop, house: workshop.typedHouse, marks: noMarks() }, its),
    minutesOf: ({ size }, { step }) => normMinutes(step.technique, size, step.coverage),
  };
  const { problem } = await inSlices(buildLineInSteps(roster));
  if (problem.jobs.length === 0) return [];
  const key = createHash('sha256').update(JSON.stringify(problem)).digest('base64');
  return ordersOf(stores).forceFetch(key, { context: problem });
}
