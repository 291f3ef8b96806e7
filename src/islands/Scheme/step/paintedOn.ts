import { allSteps } from '../../../core/scheme/model/allSteps';
import type { Step, Unit } from '../../../core/scheme/model/definitions';
import { sharedId } from '../../../core/scheme/authoring/linked';
import { positionsText } from '../../../ui/format';
import { paintedUnder } from './usePainted';

/** Models of a unit that are painted under a step, by the id that it has there. */
export interface PaintedOn {
  unit: Pick<Unit, 'id' | 'name'>;
  step: string;
  models: number[];
}

/** Where a step is painted already: in its own unit first, then in those that are painted by the same scheme. */
export function paintedOn(painted: ReadonlyMap<string, number[]>, step: Step, units: readonly [own: Unit, ...linked: Unit[]]): PaintedOn[] {
  return units.flatMap((unit, place) => {
    const here = place === 0 ? step : allSteps(unit.scheme).find((each) => sharedId(each) === sharedId(step));
    const models = here ? paintedUnder(painted, here.id) : [];
    return here && models.length > 0 ? [{ unit, step: here.id, models }] : [];
  });
}

export const paintedCount = (painted: readonly PaintedOn[]): number => painted.reduce((sum, { models }) => sum + models.length, 0);

/** @example '1 to 3; Ferry crew 2, 4' */
export const paintedText = (painted: readonly PaintedOn[], ownUnit: string): string =>
  painted.map(({ unit, models }) => (unit.id === ownUnit ? '' : `${unit.name} `) + positionsText(models)).join('; ');
