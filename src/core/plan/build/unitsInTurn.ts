import type { Roster, RosterUnit } from './roster';
import { passesOf } from '../../scheme/passes/passes';

/** A unit with more of its steps done than this is nearly done. */
const NEARLY_DONE = 0.5;

/** Whose turn it is, by unit: units of a lower number are painted before those of a higher one, those of the same together. */
export function turnsOf(roster: Pick<Roster, 'units' | 'house' | 'doneModels'>): Map<string, number> {
  const { batches } = roster.house;
  return new Map(
    roster.units.map((unit, index) => [
      unit.id,
      batches === 'across units' ? 0 : batches === 'one unit at a time' ? index : isNearlyDone(unit, roster) ? 0 : 1,
    ]),
  );
}

/** Is more than half of a unit painted, counted in steps of models? */
export function isNearlyDone(unit: RosterUnit, { house, doneModels }: Pick<Roster, 'house' | 'doneModels'>): boolean {
  let all = 0;
  let done = 0;
  for (const pass of passesOf(unit, unit.standard, house)) {
    const painted = doneModels(pass.key);
    all += pass.models.length;
    done += pass.models.filter((model) => painted.has(model)).length;
  }
  return all > 0 && done / all > NEARLY_DONE;
}
