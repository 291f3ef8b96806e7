import { MINUTE_MS } from '../kernel/timeUnits';

/** Work for a commission that is no painting: it counts for the commission and its pay, and never in the pace of painting. */
export const OTHER_WORK = ['cleaning', 'converting', 'photographs', 'client', 'tidying', 'other'] as const;
export type OtherWorkKind = (typeof OTHER_WORK)[number];

export const OTHER_WORK_LABELS = {
  cleaning: 'Cleaning models',
  converting: 'Converting',
  photographs: 'Photographs',
  client: 'Mail and talk with the client',
  tidying: 'Cleaning up',
  other: 'Something else',
} as const satisfies Record<OtherWorkKind, string>;

export interface OtherWork {
  id: string;
  commissionId: string;
  kind: OtherWorkKind;
  /** ISO 8601. */
  startedAt: string;
  /** Null while its clock runs. */
  endedAt: string | null;
  /** As the painter says; null leaves it to the clock. */
  minutes: number | null;
  note: string;
}

/** Nobody does other work for longer without a break: a clock that was left running knows nothing. */
export const LONGEST_RUN_MINUTES = 240;

/** Minutes that a piece of other work took, or takes so far at `now` (UTC ms); null while nobody knows. */
export function otherMinutes(
  { startedAt, endedAt, minutes }: Pick<OtherWork, 'startedAt' | 'endedAt' | 'minutes'>,
  now: number,
): number | null {
  if (minutes !== null) return minutes;
  const measured = Math.max(0, (endedAt === null ? now : Date.parse(endedAt)) - Date.parse(startedAt)) / MINUTE_MS;
  return measured > LONGEST_RUN_MINUTES ? null : measured;
}

/** Minutes of all pieces whose minutes are known. */
export const otherMinutesOf = (work: readonly OtherWork[], now: number): number =>
  work.reduce((sum, each) => sum + (otherMinutes(each, now) ?? 0), 0);
