import type { ScopeChange } from '../views/scope';
import { expectedOf, type Commission, type Unit } from './definitions';

type Scope = {
  commission: Pick<Commission, 'standard' | 'dueOn'>;
  units: readonly Pick<Unit, 'id' | 'name' | 'size' | 'promised' | 'owned'>[];
};
export type ScopeDifference = Pick<ScopeChange, 'unitId' | 'unit' | 'subject' | 'before' | 'after'>;

/** What was agreed before and is not so any more. Counting what is in the box is no change of scope. */
export function scopeDifferences(before: Scope, after: Scope): ScopeDifference[] {
  const was = new Map(before.units.map((unit) => [unit.id, unit]));
  const is = new Map(after.units.map((unit) => [unit.id, unit]));
  const ofCommission = (subject: ScopeDifference['subject'], from: string, to: string): ScopeDifference[] =>
    from === to ? [] : [{ unitId: null, unit: '', subject, before: from, after: to }];
  const ofUnits = after.units.flatMap((unit): ScopeDifference[] => {
    const known = was.get(unit.id);
    const of = { unitId: unit.id, unit: unit.name };
    if (!known) return [{ ...of, subject: 'unit added', before: '0', after: String(expectedOf(unit)) }];
    return [
      ...(expectedOf(known) === expectedOf(unit)
        ? []
        : [{ ...of, subject: 'models' as const, before: String(expectedOf(known)), after: String(expectedOf(unit)) }]),
      ...(known.size === unit.size ? [] : [{ ...of, subject: 'size' as const, before: known.size, after: unit.size }]),
    ];
  });
  const gone = before.units
    .filter((unit) => !is.has(unit.id))
    .map((unit): ScopeDifference => ({
      unitId: unit.id,
      unit: unit.name,
      subject: 'unit removed',
      before: String(expectedOf(unit)),
      after: '0',
    }));
  return [
    ...ofUnits,
    ...gone,
    ...ofCommission('standard', before.commission.standard, after.commission.standard),
    ...ofCommission('due date', before.commission.dueOn, after.commission.dueOn),
  ];
}

/**
 * A difference written down beside those that stand: the last on the same thing of the same day, while it has neither note nor
 * price, grows; one
 * that is back where it began goes.
 */
export function writtenDown(
  standing: readonly ScopeChange[],
  difference: ScopeDifference,
  { id, commissionId, at, minutesBefore, minutesAfter }: Pick<ScopeChange, 'id' | 'commissionId' | 'at' | 'minutesBefore' | 'minutesAfter'>,
): { kept: ScopeChange | null; gone: string | null } {
  const last = standing.findLast((each) => each.unitId === difference.unitId && each.subject !== 'extra');
  const isSameThing =
    last &&
    about(last.subject) === about(difference.subject) &&
    last.note === '' &&
    last.priceMinor === null &&
    last.at.slice(0, 10) === at.slice(0, 10);
  if (!isSameThing)
    return { kept: { ...difference, id, commissionId, at, minutesBefore, minutesAfter, note: '', priceMinor: null }, gone: null };
  // What other changes did in between is theirs.
  const grown = {
    ...last,
    after: difference.after,
    unit: difference.unit || last.unit,
    minutesAfter: last.minutesAfter + minutesAfter - minutesBefore,
  };
  if (grown.before === grown.after) return { kept: null, gone: last.id };
  const subject = last.subject === 'unit added' && difference.subject === 'models' ? last.subject : difference.subject;
  return { kept: { ...grown, subject }, gone: null };
}

/** Models of a unit added or taken out are about how many there are. */
const about = (subject: ScopeChange['subject']): string =>
  ['unit added', 'unit removed', 'models'].includes(subject) ? 'models' : subject;
