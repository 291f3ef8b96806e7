import { allSteps } from '../../core/scheme/model/allSteps';
import type { BenchMarks } from '../../core/bench/definitions';
import { stepOfKey } from '../../core/scheme/model/halves';
import type { Unit } from '../../core/scheme/model/definitions';

/** Ids of the units on which something is painted. */
export function startedUnits(units: readonly Pick<Unit, 'id' | 'scheme'>[], { marks }: Pick<BenchMarks, 'marks'>): string[] {
  const started = new Set([...marks].filter(([, models]) => models.size > 0).map(([key]) => stepOfKey(key)));
  return units.filter(({ scheme }) => allSteps(scheme).some((step) => started.has(step.id))).map((unit) => unit.id);
}
