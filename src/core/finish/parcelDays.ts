import { DAY_MS } from '../kernel/timeUnits';
import type { Delivery } from './definitions';

const DAYS_OF_WEEK = 7;

type Days = Pick<Delivery, 'transitDays' | 'carrierDays'>;

/** A calendar day so many days later, or earlier. Days are counted without a time zone: none of them is longer than another. */
export const dayAfter = (day: string, days: number): string =>
  new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);

/** 0 Monday to 6 Sunday. */
export const weekdayOf = (day: string): number => (new Date(`${day}T00:00:00Z`).getUTCDay() + DAYS_OF_WEEK - 1) % DAYS_OF_WEEK;

const isTaken = ({ carrierDays }: Days, day: string): boolean => carrierDays.length === 0 || carrierDays.includes(weekdayOf(day));

function nextTaken(days: Days, from: string, step: 1 | -1): string {
  let day = from;
  for (let tries = 0; tries < DAYS_OF_WEEK && !isTaken(days, day); tries++) day = dayAfter(day, step);
  return day;
}

/**
 * The last day on which a parcel can go so that it is there on the day promised.
 *
 * @example leavesBy('2026-12-07', { transitDays: 2, carrierDays: [0, 1, 2, 3, 4] }) // '2026-12-04'
 */
export const leavesBy = (promised: string, days: Days): string => nextTaken(days, dayAfter(promised, -days.transitDays), -1);

/**
 * When a parcel that is ready on some day goes.
 *
 * @example goesOn('2026-12-05', { carrierDays: [0, 1, 2, 3, 4], transitDays: 2 }) // '2026-12-07'
 */
export const goesOn = (ready: string, days: Days): string => nextTaken(days, ready, 1);

/** When it is there. */
export const arrivesOn = (goes: string, { transitDays }: Pick<Delivery, 'transitDays'>): string => dayAfter(goes, transitDays);

/** Days from one to the other; negative where the other is earlier. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / DAY_MS);
