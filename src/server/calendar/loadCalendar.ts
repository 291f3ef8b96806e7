import { dryAt } from '../../core/bench/guide/readiness';
import { calendarEntries, type CalendarEntry } from '../../core/finish/calendar';
import { cureOf } from '../../core/finish/curePlan';
import { NO_FINISHING } from '../../core/finish/definitions';
import { placeWords } from '../../core/scheme/model/workWords';
import { passesOf } from '../../core/scheme/passes/passes';
import type { Stores } from '../stores/stores';
import { commissionDates } from '../workshop/commissionDates';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';

/** Sessions, drying, cure, parcels and dates of all open work. */
export async function loadCalendar(stores: Stores, now: Date): Promise<CalendarEntry[]> {
  const workshop = await loadWorkshop(stores, now);
  const { units, marks, house } = workshop;
  const { paints } = rosterOf(workshop, units);
  const dates = new Map(commissionDates(workshop).map((date) => [date.id, date]));
  const cures = units.map((unit) => ({ unit, cure: cureOf(unit, marks, { paints, house }) }));
  return calendarEntries({
    now: now.getTime(),
    rules: house,
    commissions: workshop.commissions.map(({ id, name, client, dueOn }) => ({
      ...{ id, name, client, dueOn },
      leavesBy: dates.get(id)!.leavesBy,
      carrier: (workshop.finishing.get(id) ?? NO_FINISHING).delivery.carrier,
      by: dates.get(id)!.by,
      isPainted: cures.every(({ unit, cure }) => unit.commissionId !== id || cure.packAt !== null),
    })),
    curing: cures.flatMap(({ unit, cure }) =>
      cure.packAt === null ? [] : [{ unitId: unit.id, unit: unit.name, commission: unit.commissionName, packAt: cure.packAt }],
    ),
    drying: units.flatMap((unit) =>
      passesOf(unit, unit.standard, house).flatMap((pass) => {
        const wet = [...(marks.marks.get(pass.key)?.values() ?? [])].map(dryAt).filter((at) => at > now.getTime());
        if (wet.length === 0) return [];
        return [{ passKey: pass.key, unit: unit.name, what: placeWords(pass.where), models: wet.length, dryAt: Math.max(...wet) }];
      }),
    ),
  });
}
