import { compileLine, type CompiledLine } from './compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from './constructOrder';
import type { LineProblem, LineTotals } from './definitions';
import { enteredOrder, trayByTrayOrder } from './precedence';
import { splitIntoSingles } from './splitIntoSingles';
import { timeOrder } from './timeOrder';

export type StrategyId = 'one-model' | 'unit-by-unit' | 'entered' | 'suggested' | 'own';

export interface Strategy {
  id: StrategyId;
  /** Null when the sessions of the problem do not hold this order. */
  totals: LineTotals | null;
}

/**
 * Ways to paint the same models, timed by the same rules: one model finished before the next is begun; unit by unit, each
 * in a sensible order of its own; the jobs as entered; the order given as the suggestion; and the painter's own, if any.
 * `unitOfTray` says which trays belong together.
 */
export function compareStrategies(
  problem: LineProblem,
  suggested: ArrayLike<number>,
  unitOfTray: (trayId: string) => string,
  own: ArrayLike<number> | null = null,
): Strategy[] {
  const line = compileLine(problem);
  const singles = compileLine(splitIntoSingles(problem));
  return [
    { id: 'one-model', totals: totalsOrNull(singles, trayByTrayOrder(singles)) },
    { id: 'unit-by-unit', totals: totalsOrNull(line, unitByUnitOrder(line, unitOfTray)) },
    { id: 'entered', totals: totalsOrNull(line, enteredOrder(line)) },
    { id: 'suggested', totals: totalsOrNull(line, suggested) },
    ...(own ? [{ id: 'own' as const, totals: totalsOrNull(line, own) }] : []),
  ];
}

function unitByUnitOrder(line: CompiledLine, unitOfTray: (trayId: string) => string): Int32Array {
  const units = [...new Set(line.problem.trays.map((tray) => unitOfTray(tray.id)))];
  const unitOfJob = line.problem.jobs.map((job) => units.indexOf(unitOfTray(job.tray)));
  return greedyOrder(line, GREEDY_WEIGHTS[0]!, (job) => unitOfJob[job]!);
}

function totalsOrNull(line: CompiledLine, order: ArrayLike<number>): LineTotals | null {
  const timed = timeOrder(line, order);
  return 'missingMinutes' in timed ? null : timed.totals;
}
