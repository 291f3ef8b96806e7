import { cureDays, paintBy } from '../../core/plan/dates/cure';
import { NO_FINISHING } from '../../core/finish/definitions';
import { leavesBy } from '../../core/finish/parcelDays';
import { groupBy } from '../../core/kernel/groupBy';
import { memoKey } from '../running/Memory';
import type { Workshop } from './loadWorkshop';

/** When a commission must be painted. */
export interface CommissionDate {
  id: string;
  cureDays: number;
  /** The last day on which the parcel can go; the day promised where it is collected. */
  leavesBy: string;
  /** UTC ms. */
  by: number;
}

const DATES = memoKey<CommissionDate[]>('dates of the commissions');

/** The dates of all open commissions, with the days that the parcel is on its way and their varnish cures taken off. */
export const commissionDates = (workshop: Workshop): CommissionDate[] =>
  workshop.memory.once(DATES, () => {
    const unitsOf = groupBy(workshop.units, (unit) => unit.commissionId);
    return workshop.commissions.map(({ id, dueOn }) => {
      const days = cureDays(unitsOf.get(id) ?? [], workshop.house);
      const leaves = leavesBy(dueOn, (workshop.finishing.get(id) ?? NO_FINISHING).delivery);
      return { id, cureDays: days, leavesBy: leaves, by: paintBy(leaves, days) };
    });
  });
