import { buildLine, type BuiltLine, type RosterUnit } from '../../core/scheme/buildLine';
import type { Workshop } from './loadWorkshop';
import { rosterOf } from './roster';

const kept = new WeakMap<Workshop, Map<string, BuiltLine>>();

/** The line over these units as things stand; built once for as long as nothing is written. It must not be changed. */
export const lineLeft = (workshop: Workshop, units: RosterUnit[]): BuiltLine =>
  built(workshop, units, 'left', (roster) => buildLine(roster));

/** The same with all jobs, painted or not: what an order on the bench is about. */
export const wholeLine = (workshop: Workshop, units: RosterUnit[]): BuiltLine =>
  built(workshop, units, 'whole', (roster) => buildLine({ ...roster, doneModels: () => new Set() }));

function built(
  workshop: Workshop,
  units: RosterUnit[],
  of: 'left' | 'whole',
  build: (roster: ReturnType<typeof rosterOf>) => BuiltLine,
): BuiltLine {
  const lines = kept.get(workshop) ?? new Map<string, BuiltLine>();
  kept.set(workshop, lines);
  // A unit whose test model waits is sometimes taken as it is, and sometimes as approved.
  const key = [of, ...units.map((unit) => `${unit.id} ${unit.testModel}`)].join('\u0001');
  const known = lines.get(key);
  if (known) return known;
  const line = build(rosterOf(workshop, units));
  lines.set(key, line);
  return line;
}
