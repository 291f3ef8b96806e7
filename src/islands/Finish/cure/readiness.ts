import { arrivesOn, daysBetween, goesOn, leavesBy } from '../../../core/finish/parcelDays';
import { DAY_MS } from '../../../core/kernel/timeUnits';
import { localDay } from '../../../core/kernel/localDay';
import type { Finish } from '../useFinish';

/** When all of it can be packed, UTC ms; null while something is not painted. */
export function packAtOf({ cures, inspections }: Pick<Finish, 'cures' | 'inspections'>): number | null {
  const moments = cures.filter((_, at) => inspections[at]!.models.length > 0).map(({ packAt }) => packAt);
  return moments.some((at) => at === null) ? null : Math.max(0, ...moments.map((at) => at!));
}

/** The days of the parcel. */
export interface ParcelDays {
  leavesBy: string;
  /** When it can be packed, and how that is known. */
  ready: string | null;
  isPainted: boolean;
  goes: string | null;
  arrives: string | null;
  /** Days between when it can go and when it must; negative when it is late. */
  margin: number | null;
}

export function parcelDays(finish: Finish): ParcelDays {
  const { picture, finishing, cures } = finish;
  const { delivery } = finishing;
  const last = leavesBy(picture.commission.dueOn, delivery);
  const packAt = packAtOf(finish);
  const cureAhead = Math.max(0, ...cures.map(({ cureDaysAhead }) => cureDaysAhead));
  const expected = picture.paintedAt === null ? null : picture.paintedAt.safe + cureAhead * DAY_MS;
  const readyAt = packAt === null ? expected : Math.max(packAt, finish.now);
  if (readyAt === null) return { leavesBy: last, ready: null, isPainted: packAt !== null, goes: null, arrives: null, margin: null };
  const ready = localDay(new Date(readyAt));
  const goes = goesOn(ready, delivery);
  return { leavesBy: last, ready, isPainted: packAt !== null, goes, arrives: arrivesOn(goes, delivery), margin: daysBetween(goes, last) };
}
