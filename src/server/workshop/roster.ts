import { doneModels } from '../../core/bench/replay/foldMarks';
import type { Roster, RosterUnit } from '../../core/plan/build/roster';
import { likeOf } from '../../core/scheme/model/lineage';
import { effortOf, passesOf, type Pass } from '../../core/scheme/passes/passes';
import { passStretches } from '../../core/scheme/passes/passStretches';
import { withPots } from '../../core/scheme/model/pots';
import { splitTrays } from '../../core/scheme/passes/splitTrays';
import { modelFactors } from '../../core/scheme/model/whoTakes';
import type { StepKind, WorkItem } from '../../core/time/definitions';
import { modelMinutes } from '../../core/time/fit/learningCurve';
import type { Workshop } from './loadWorkshop';

/** The kind of step a pass is, as the time log tells it. */
export const stepKindOf = (unit: RosterUnit, pass: Pick<Pass, 'where' | 'step'>, { paints }: Pick<Workshop, 'paints'>): StepKind => ({
  unitId: unit.id,
  stepId: pass.step.id,
  stepLike: likeOf(pass.step, paints),
  commission: unit.commissionName,
  unit: unit.name,
  part: pass.where ?? '',
  technique: pass.step.technique,
  size: unit.size,
  coverage: pass.step.coverage,
});

/** All that is left of a unit for the standard paid for, in the stretches it will be painted in. */
export function workOf(
  unit: RosterUnit,
  workshop: Pick<Workshop, 'house' | 'paints'>,
  doneModels: (passKey: string) => ReadonlySet<number>,
): UnitWorkItem[] {
  const { house } = workshop;
  const stretches = passStretches(
    passesOf(unit, unit.standard, house),
    splitTrays(unit, house),
    modelFactors(unit.scheme, house),
    doneModels,
  );
  return stretches.map(({ pass, done, models, weight }) => ({
    passKey: pass.key,
    kind: stepKindOf(unit, pass, workshop),
    done,
    models,
    weight,
    effort: effortOf(pass),
  }));
}

/** A piece of work, with the pass it is of. */
export interface UnitWorkItem extends WorkItem {
  passKey: string;
}

/** What a line over these units is built from, as things stand. */
export const rosterOf = ({ paints, mixer, house, marks, model }: Workshop, units: RosterUnit[]): Roster => ({
  units,
  paints: withPots(
    paints,
    units.map((unit) => unit.scheme),
    mixer,
  ),
  house,
  minutesOf: (unit, pass, stretch) => modelMinutes(model.curve(stepKindOf(unit, pass, { paints })), stretch),
  doneModels: (passKey) => doneModels(marks.marks, passKey),
});
