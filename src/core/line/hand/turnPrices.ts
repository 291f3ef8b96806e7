import { compileLine } from '../problem/compileLine';
import type { LineProblem, OrderChange } from '../definitions';
import { inAllTurns, withoutTurns, type TurnedBy } from '../problem/turns';
import { bestFound, type PriceOptions } from './bestFound';

/** What each rule that has something finished before the next costs, with all the others kept; nothing where it is kept anyway. */
export function turnPrices(
  problem: LineProblem,
  rules: readonly TurnedBy[],
  order: ArrayLike<number>,
  options: PriceOptions,
): OrderChange[] {
  const kept = bestFound(compileLine(problem), order, options);
  const free = withoutTurns(
    problem.jobs,
    rules.flatMap(({ waits }) => waits),
  );
  return rules.map((rule) => {
    const others = rules.filter((other) => other !== rule).map(({ turns }) => turns);
    const line = compileLine({ ...problem, jobs: inAllTurns(free, others) });
    const without = bestFound(line, order, options);
    if (kept.total <= without.total) return { bench: 0, finish: 0, late: 0 };
    return { bench: kept.bench - without.bench, finish: kept.finish - without.finish, late: kept.late - without.late };
  });
}
