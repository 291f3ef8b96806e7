import { cureDays, paintBy } from '../../core/plan/dates/cure';
import { groupBy } from '../../core/kernel/groupBy';
import { memoKey } from '../running/Memory';
import type { Workshop } from './loadWorkshop';

/** When a commission must be painted. */
export interface CommissionDate {
  id: string;
  cureDays: number;
  /** UTC ms. */
  by: number;
}

const DATES = memoKey<CommissionDate[]>('dates of the commissions');

/** The dates of all open commissions, with the days their varnish cures taken off. */
export const commissionDates = (workshop: Workshop): CommissionDate[] =>
  workshop.memory.once(DATES, () => {
    const unitsOf = groupBy(workshop.units, (unit) => unit.commissionId);
    return workshop.commissions.map(({ id, dueOn }) => {
      const days = cureDays(unitsOf.get(id) ?? [], workshop.house);
      return { id, cureDays: days, by: paintBy(dueOn, days) };
    });
  });
