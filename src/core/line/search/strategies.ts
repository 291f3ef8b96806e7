import type { CompiledLine } from '../problem/compiledLine';
import { compileLine } from '../problem/compileLine';
import type { LineProblem, LineTotals } from '../definitions';
import { enteredOrder, trayByTrayOrder } from '../problem/precedence';
import { inTurn, withoutTurns } from '../problem/turns';
import { solveLine } from './solveLine';
import { splitIntoSingles } from '../problem/splitIntoSingles';
import { timeOrder } from '../timing/timeOrder';

export type StrategyId = 'one-model' | 'unit-by-unit' | 'nearly-done' | 'across-units' | 'entered' | 'suggested' | 'own';

export interface Strategy {
  id: StrategyId;
  /** Null when the sessions of the problem do not hold this order. */
  totals: LineTotals | null;
}

/** Which trays belong together, and which of those units are nearly done. */
export interface UnitsOfLine {
  unitOfTray: (trayId: string) => string;
  nearlyDone: readonly string[];
}

/** Moves judged for each way to batch: enough to tell them apart. */
const BATCH_STEPS = 6000;

/**
 * Ways to paint the same models that ask nobody, timed by the same rules: one model finished before the next is begun; the jobs as
 * entered; and the three ways to batch units, each searched as well as the others: one at a time, what is nearly done first, and
 * across all of them (left out where the line is batched so anyway).
 */
export function fixedStrategies(problem: LineProblem, { unitOfTray, nearlyDone }: UnitsOfLine): Strategy[] {
  const line = compileLine(problem);
  const trayOf = new Map(problem.jobs.map((job) => [job.id, job.tray]));
  const unitOf = (jobId: string) => unitOfTray(trayOf.get(jobId)!);
  const units = [...new Set(problem.trays.map((tray) => unitOfTray(tray.id)))];
  const free = withoutTurns(problem.jobs, unitOf);
  const hasTurns = free.some((job, index) => job !== problem.jobs[index]);
  const batched = (id: StrategyId, turnOf: (unit: string) => number): Strategy => {
    const { jobs } = inTurn(free, (job) => turnOf(unitOf(job)));
    const turned = compileLine({ ...problem, jobs });
    const { order } = solveLine(turned, { seed: 1, steps: BATCH_STEPS, seeksProof: false });
    return strategyOf(turned, id, order);
  };
  const isNearlyDone = (unit: string) => nearlyDone.includes(unit);
  const singles = compileLine(splitIntoSingles(problem));
  return [
    strategyOf(singles, 'one-model', trayByTrayOrder(singles)),
    strategyOf(line, 'entered', enteredOrder(line)),
    ...(units.length > 1 ? [batched('unit-by-unit', (unit) => units.indexOf(unit))] : []),
    ...(units.some(isNearlyDone) && !units.every(isNearlyDone) ? [batched('nearly-done', (unit) => (isNearlyDone(unit) ? 0 : 1))] : []),
    ...(hasTurns ? [batched('across-units', () => 0)] : []),
  ];
}

/** One way to paint, by its order. */
export function strategyOf(line: CompiledLine, id: StrategyId, order: ArrayLike<number>): Strategy {
  const timed = timeOrder(line, order);
  return { id, totals: !timed.fits ? null : timed.totals };
}
