import type { CompiledLine } from '../problem/compiledLine';
import { compileLine } from '../problem/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from './constructOrder';
import type { LineProblem, LineTotals } from '../definitions';
import { enteredOrder, trayByTrayOrder } from '../problem/precedence';
import { splitIntoSingles } from '../problem/splitIntoSingles';
import { timeOrder } from '../timing/timeOrder';

export type StrategyId = 'one-model' | 'unit-by-unit' | 'entered' | 'suggested' | 'own';

export interface Strategy {
  id: StrategyId;
  /** Null when the sessions of the problem do not hold this order. */
  totals: LineTotals | null;
}

/**
 * Ways to paint the same models that ask nobody, timed by the same rules: one model finished before the next is begun;
 * unit by unit, each in a sensible order of its own; and the jobs as entered. `unitOfTray` says which trays belong together.
 */
export function fixedStrategies(problem: LineProblem, unitOfTray: (trayId: string) => string): Strategy[] {
  const line = compileLine(problem);
  const singles = compileLine(splitIntoSingles(problem));
  return [
    strategyOf(singles, 'one-model', trayByTrayOrder(singles)),
    strategyOf(line, 'unit-by-unit', unitByUnitOrder(line, unitOfTray)),
    strategyOf(line, 'entered', enteredOrder(line)),
  ];
}

/** One way to paint, by its order. */
export function strategyOf(line: CompiledLine, id: StrategyId, order: ArrayLike<number>): Strategy {
  const timed = timeOrder(line, order);
  return { id, totals: 'missingMinutes' in timed ? null : timed.totals };
}

function unitByUnitOrder(line: CompiledLine, unitOfTray: (trayId: string) => string): Int32Array {
  const units = [...new Set(line.problem.trays.map((tray) => unitOfTray(tray.id)))];
  const unitOfJob = line.problem.jobs.map((job) => units.indexOf(unitOfTray(job.tray)));
  return greedyOrder(line, GREEDY_WEIGHTS[0]!, { groupOf: (job) => unitOfJob[job]! });
}
