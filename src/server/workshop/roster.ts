import { doneModels } from '../../core/bench/foldMarks';
import type { Roster, RosterUnit } from '../../core/scheme/buildLine';
import type { Pass } from '../../core/scheme/passes';
import { withPots } from '../../core/scheme/pots';
import type { StepKind } from '../../core/time/definitions';
import type { Workshop } from './loadWorkshop';

/** The kind of step a pass is, as the time log tells it. */
export const stepKindOf = (unit: RosterUnit, pass: Pick<Pass, 'part' | 'step'>): StepKind => ({
  unitId: unit.id,
  stepId: pass.step.id,
  commission: unit.commissionName,
  unit: unit.name,
  part: pass.part?.name ?? '',
  technique: pass.step.technique,
  size: unit.size,
  coverage: pass.step.coverage,
});

/** What a line over these units is built from, as things stand. */
export const rosterOf = ({ paints, house, marks, model }: Workshop, units: RosterUnit[]): Roster => ({
  units,
  paints: withPots(
    paints,
    units.map((unit) => unit.scheme),
  ),
  house,
  minutesOf: (unit, pass) => model.estimate(stepKindOf(unit, pass)).p50,
  doneModels: (passKey) => doneModels(marks.marks, passKey),
});
