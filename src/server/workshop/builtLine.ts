import { buildLineInSteps, type BuiltLine, type Roster, type RosterUnit } from '../../core/scheme/buildLine';
import { inSlices } from '../inSlices';
import type { Workshop } from './loadWorkshop';
import { rosterOf } from './roster';

const kept = new WeakMap<Workshop, Map<string, Promise<BuiltLine>>>();

/** The line over these units as things stand; built once for as long as nothing is written. It must not be changed. */
export const lineLeft = (workshop: Workshop, units: RosterUnit[]): Promise<BuiltLine> =>
  built(workshop, units, 'left', rosterOf(workshop, units));

/** The same with all jobs, painted or not: what an order on the bench is about. */
export const wholeLine = (workshop: Workshop, units: RosterUnit[]): Promise<BuiltLine> =>
  built(workshop, units, 'whole', { ...rosterOf(workshop, units), doneModels: () => new Set() });

function built(workshop: Workshop, units: RosterUnit[], of: 'left' | 'whole', roster: Roster): Promise<BuiltLine> {
  const lines = kept.get(workshop) ?? new Map<string, Promise<BuiltLine>>();
  kept.set(workshop, lines);
  // A unit whose test model waits is sometimes taken as it is, and sometimes as approved.
  const key = [of, ...units.map((unit) => `${unit.id} ${unit.testModel}`)].join('\u0001');
  const known = lines.get(key);
  if (known) return known;
  const line = inSlices(buildLineInSteps(roster));
  lines.set(key, line);
  return line;
}
