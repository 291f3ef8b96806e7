import { cureDays, paintBy } from '../../core/plan/dates/cure';
import type { Workshop } from './loadWorkshop';

/** When a commission must be painted. */
export interface CommissionDate {
  id: string;
  cureDays: number;
  /** UTC ms. */
  by: number;
}

const kept = new WeakMap<Workshop, CommissionDate[]>();

/** The dates of all open commissions, with the days their varnish cures taken off. */
export function commissionDates(workshop: Workshop): CommissionDate[] {
  const known = kept.get(workshop);
  if (known) return known;
  const dates = workshop.commissions.map(({ id, dueOn }) => {
    const days = cureDays(
      workshop.units.filter((unit) => unit.commissionId === id),
      workshop.house,
    );
    return { id, cureDays: days, by: paintBy(dueOn, days) };
  });
  kept.set(workshop, dates);
  return dates;
}
