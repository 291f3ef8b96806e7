import type { CompiledLine } from '../problem/compiledLine';
import { compileLine } from '../problem/compileLine';
import type { LineProblem, LineTotals } from '../definitions';
import { enteredOrder, trayByTrayOrder } from '../problem/precedence';
import { inAllTurns, withoutTurns, type TurnedBy, type Turns } from '../problem/turns';
import { solveLine } from './solveLine';
import { splitIntoSingles } from '../problem/splitIntoSingles';
import { timeOrder } from '../timing/timeOrder';

export type StrategyId = 'one-model' | 'tray-by-tray' | 'unit-by-unit' | 'nearly-done' | 'across-units' | 'entered' | 'suggested' | 'own';

export interface Strategy {
  id: StrategyId;
  /** Null when the sessions of the problem do not hold this order. */
  totals: LineTotals | null;
}

/** Which trays belong together, which of those units are nearly done, and what the line finishes before the next already. */
export interface UnitsOfLine {
  unitOfTray: (trayId: string) => string;
  nearlyDone: readonly string[];
  turns: readonly TurnedBy[];
}

/** Moves judged for each way to batch: enough to tell them apart. */
const BATCH_STEPS = 6000;

/**
 * Ways to paint the same models that ask nobody, timed by the same rules: one model finished before the next is begun; the jobs as
 * entered; every unit tray by tray; and the three ways to batch units, each searched as well as the others: one at a time, what is
 * nearly done first, and across all of them. What the line does anyway is left out.
 */
export function fixedStrategies(problem: LineProblem, { unitOfTray, nearlyDone, turns }: UnitsOfLine): Strategy[] {
  const line = compileLine(problem);
  const units = [...new Set(problem.trays.map((tray) => unitOfTray(tray.id)))];
  const idsOf = (trays: LineProblem['trays']) =>
    problem.jobs.filter((job) => trays.some((tray) => tray.id === job.tray)).map(({ id }) => id);
  const trayTurns = units.map((unit) => problem.trays.filter(({ id }) => unitOfTray(id) === unit).map((tray) => idsOf([tray])));
  const free = withoutTurns(
    problem.jobs,
    turns.flatMap(({ waits }) => waits),
  );
  const kept = (isOfTrays: boolean) => turns.filter(({ kind }) => (kind === 'trays') === isOfTrays).map((rule) => rule.turns);
  const searched = (id: StrategyId, rules: readonly Turns[]): Strategy => {
    const turned = compileLine({ ...problem, jobs: inAllTurns(free, rules) });
    return strategyOf(turned, id, solveLine(turned, { seed: 1, steps: BATCH_STEPS, seeksProof: false }).order);
  };
  const batched = (id: StrategyId, batches: readonly (readonly string[])[]) =>
    searched(id, [...kept(true), batches.map((of) => idsOf(problem.trays.filter((tray) => of.includes(unitOfTray(tray.id)))))]);
  const isNearlyDone = (unit: string) => nearlyDone.includes(unit);
  const singles = compileLine(splitIntoSingles(problem));
  const isTrayByTray = trayTurns.filter((trays) => trays.length > 1).length <= kept(true).length;
  return [
    strategyOf(singles, 'one-model', trayByTrayOrder(singles)),
    strategyOf(line, 'entered', enteredOrder(line)),
    ...(isTrayByTray ? [] : [searched('tray-by-tray', [...trayTurns, ...kept(false)])]),
    ...(units.length > 1
      ? [
          batched(
            'unit-by-unit',
            units.map((unit) => [unit]),
          ),
        ]
      : []),
    ...(units.some(isNearlyDone) && !units.every(isNearlyDone)
      ? [batched('nearly-done', [units.filter(isNearlyDone), units.filter((unit) => !isNearlyDone(unit))])]
      : []),
    ...(kept(false).length > 0 ? [searched('across-units', kept(true))] : []),
  ];
}

/** One way to paint, by its order. */
export function strategyOf(line: CompiledLine, id: StrategyId, order: ArrayLike<number>): Strategy {
  const timed = timeOrder(line, order);
  return { id, totals: !timed.fits ? null : timed.totals };
}
