import { buildLineInSteps, type BuiltLine } from '../../core/plan/build/buildLine';
import type { RosterUnit } from '../../core/plan/build/roster';
import { inSlices } from '../running/inSlices';
import type { Workshop } from './loadWorkshop';
import { rosterOf } from './roster';

const kept = new WeakMap<Workshop, Map<string, Promise<BuiltLine>>>();

/** The line over these units as things stand; built once for as long as nothing is written. It must not be changed. */
export function lineLeft(workshop: Workshop, units: RosterUnit[]): Promise<BuiltLine> {
  const lines = kept.get(workshop) ?? new Map<string, Promise<BuiltLine>>();
  kept.set(workshop, lines);
  // A unit whose test model waits is sometimes taken as it is, and sometimes as approved.
  const key = units.map((unit) => `${unit.id} ${unit.testModel}`).join('\u0001');
  const known = lines.get(key);
  if (known) return known;
  const line = inSlices(buildLineInSteps(rosterOf(workshop, units)));
  lines.set(key, line);
  return line;
}
