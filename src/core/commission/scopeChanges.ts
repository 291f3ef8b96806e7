import { isOneOf } from '../kernel/isOneOf';
import type { ScopeChange } from './scope';
import { expectedOf, type Unit } from '../scheme/model/definitions';
import type { Commission } from './definitions';

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

/** What writing a difference down does to the changes that are written. */
interface WrittenDown {
  /** New, grown, or standing again. */
  kept: ScopeChange | null;
  /** Id of one that goes. */
  gone: string | null;
  /** Id of one that was settled and is taken back: it is not counted, and stands again when the same change is made again. */
  takenBack: string | null;
}

/**
 * A difference written down beside those that stand: the last on the same thing of the same day, while it has neither note nor
 * price, grows; one that is back where it began goes, and with it the settled one that it takes back.
 */
export function writtenDown(
  written: readonly ScopeChange[],
  difference: ScopeDifference,
  entry: Pick<ScopeChange, 'id' | 'commissionId' | 'at' | 'minutesBefore' | 'minutesAfter'>,
): WrittenDown {
  const same = written.filter(
    (each) => each.unitId === difference.unitId && each.subject !== 'extra' && about(each.subject) === about(difference.subject),
  );
  const standing = same.filter(({ takenBackAt }) => takenBackAt === null);
  const again = same.findLast(
    ({ takenBackAt, before, after }) => takenBackAt !== null && before === difference.before && after === difference.after,
  );
  if (again) return { kept: { ...again, takenBackAt: null }, gone: null, takenBack: null };
  const last = standing.at(-1);
  const grows = last !== undefined && !isSettled(last) && last.at.slice(0, 10) === entry.at.slice(0, 10);
  const { kept, gone } = grows
    ? grown(last, difference, entry)
    : { kept: { ...difference, ...entry, note: '', priceMinor: null, takenBackAt: null }, gone: null };
  const settled = grows ? standing.at(-2) : last;
  if (kept && settled && isSettled(settled) && settled.after === kept.before && settled.before === kept.after)
    return { kept: null, gone: grows ? kept.id : null, takenBack: settled.id };
  return { kept, gone, takenBack: null };
}

const isSettled = ({ note, priceMinor }: ScopeChange): boolean => note !== '' || priceMinor !== null;

function grown(
  last: ScopeChange,
  difference: ScopeDifference,
  { minutesBefore, minutesAfter }: Pick<ScopeChange, 'minutesBefore' | 'minutesAfter'>,
): Pick<WrittenDown, 'kept' | 'gone'> {
  // What other changes did in between is theirs.
  const change = {
    ...last,
    after: difference.after,
    unit: difference.unit || last.unit,
    minutesAfter: last.minutesAfter + minutesAfter - minutesBefore,
  };
  if (change.before === change.after) return { kept: null, gone: last.id };
  const subject = last.subject === 'unit added' && difference.subject === 'models' ? last.subject : difference.subject;
  return { kept: { ...change, subject }, gone: null };
}

/** Models of a unit added or taken out are about how many there are. */
const about = (subject: ScopeChange['subject']): string => (isOneOf(subject, 'unit added', 'unit removed', 'models') ? 'models' : subject);
