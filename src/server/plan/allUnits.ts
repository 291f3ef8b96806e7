import type { UnitWork } from '../../core/money/definitions';
import { STAGES } from '../../core/time/check/insights';

/** Units as one: what they take together, draw by draw. */
export function allUnits(units: readonly UnitWork[]): UnitWork {
  const draws = new Array<number>(units[0]?.draws.length ?? 0).fill(0);
  const stages = { build: 0, base: 0, tail: 0 };
  for (const unit of units) {
    unit.draws.forEach((minutes, draw) => (draws[draw]! += minutes));
    for (const stage of STAGES) stages[stage] += unit.stages[stage];
  }
  return {
    unitId: '',
    name: '',
    models: units.reduce((sum, unit) => sum + unit.models, 0),
    likely: units.reduce((sum, unit) => sum + unit.likely, 0),
    draws,
    stages,
  };
}
