import type { BenchMarks } from '../bench/definitions';
import { doneModels } from '../bench/replay/foldMarks';
import type { RosterUnit } from '../plan/build/roster';
import { includesStandard, STANDARDS } from '../scheme/model/definitions';
import type { HouseRules } from '../scheme/model/houseRules';
import { allModels } from '../scheme/model/whoTakes';
import { passesOf, type Pass } from '../scheme/passes/passes';

/** Models of a unit that became ready: painted to the end, with nothing to mend. */
export interface ReadyModels {
  unitId: string;
  unit: string;
  commissionId: string;
  models: number[];
  /** All of the unit is. */
  isWhole: boolean;
}

/** A stage that a whole unit has reached. */
export interface StageReached {
  unitId: string;
  unit: string;
  name: string;
  /** The models can be used from there. */
  usable: boolean;
  /** UTC ms. */
  at: number;
}

export interface Progress {
  /** Coats on models. */
  modelSteps: number;
  ready: ReadyModels[];
  /** The latest first. */
  stages: StageReached[];
}

/** What was done since a moment (UTC ms): coats on models, what became ready, and the stages that were reached. */
export function progressSince(
  units: readonly RosterUnit[],
  { marks, aside }: Pick<BenchMarks, 'marks' | 'aside'>,
  house: Pick<HouseRules, 'schools'>,
  since: number,
): Progress {
  const progress: Progress = { modelSteps: 0, ready: [], stages: [] };
  for (const unit of units) {
    const passes = passesOf(unit, unit.standard, house);
    const marked = passes.flatMap(({ key }) => [...(marks.get(key)?.values() ?? [])]);
    // What was only told to be done has nothing in the hand.
    progress.modelSteps += marked.filter(({ at, leftOut, setupId }) => at >= since && !leftOut && setupId !== '').length;
    if (passes.length === 0) continue;
    const all = allModels(unit);
    const finished = all.filter((model) => !aside.get(unit.id)?.has(model) && isReady(passes, marks, model));
    const models = finished.filter((model) => lastAt(passes, marks, [model]) >= since);
    if (models.length > 0)
      progress.ready.push({
        unitId: unit.id,
        unit: unit.name,
        commissionId: unit.commissionId,
        models,
        isWhole: finished.length === all.length,
      });
    progress.stages.push(...stagesOf(unit, passes, marks).filter(({ at }) => at >= since));
  }
  progress.stages.sort((a, b) => b.at - a.at);
  return progress;
}

const isReady = (passes: readonly Pass[], marks: BenchMarks['marks'], model: number): boolean =>
  passes.every(({ key, models }) => {
    const mark = marks.get(key)?.get(model);
    return !models.includes(model) || (mark !== undefined && mark.missed === null);
  });

const lastAt = (passes: readonly Pass[], marks: BenchMarks['marks'], models: readonly number[]): number =>
  Math.max(-Infinity, ...passes.flatMap(({ key }) => models.flatMap((model) => marks.get(key)?.get(model)?.at ?? [])));

/** Stops set by hand, and the standards below what is paid for; the end itself is said of its models. */
function stagesOf(unit: RosterUnit, passes: readonly Pass[], marks: BenchMarks['marks']): StageReached[] {
  const lower = STANDARDS.filter((standard) => standard !== unit.standard && includesStandard(unit.standard, standard));
  const stages = [
    ...unit.scheme.stops.map(({ name, usable, steps }) => ({ name, usable, passes: passes.filter(({ step }) => steps.includes(step.id)) })),
    ...lower.map((standard) => ({
      name: `${standard} standard`,
      usable: true,
      passes: passes.filter(({ step }) => includesStandard(standard, step.standard)),
    })),
  ];
  return stages.flatMap(({ name, usable, passes: own }) => {
    if (own.length === 0 || own.length === passes.length) return [];
    if (!own.every(({ key, models }) => models.every((model) => doneModels(marks, key).has(model)))) return [];
    const models = [...new Set(own.flatMap((pass) => pass.models))];
    return [{ unitId: unit.id, unit: unit.name, name, usable, at: lastAt(own, marks, models) }];
  });
}
