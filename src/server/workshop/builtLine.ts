import { buildLineInSteps, type BuiltLine } from '../../core/plan/build/buildLine';
import type { RosterUnit } from '../../core/plan/build/roster';
import { isWaiting } from '../../core/scheme/model/definitions';
import { inSlices } from '../running/inSlices';
import { memoKey } from '../running/Memory';
import type { Workshop } from './loadWorkshop';
import { rosterOf } from './roster';

const BUILT = memoKey<Promise<BuiltLine>>('lines over units');

/** The line over these units as things stand; built once for as long as nothing is written. It must not be changed. */
export function lineLeft(workshop: Workshop, units: RosterUnit[]): Promise<BuiltLine> {
  // A unit whose test model waits is sometimes taken as it is, and sometimes as approved.
  const key = units.map((unit) => `${unit.id} ${isWaiting(unit)}`).join('\u0001');
  return workshop.memory.once(BUILT, () => inSlices(buildLineInSteps(rosterOf(workshop, units))), key);
}
