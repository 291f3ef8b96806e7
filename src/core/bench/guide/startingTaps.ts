import { MINUTE_MS } from '../../kernel/timeUnits';
import type { BenchEvent } from '../definitions';
import type { BenchLine } from './benchLine';
import { effectiveEvents } from '../replay/effectiveEvents';

/** Whoever has looked at the bench for longer before the first start did something else, too. */
const LONGEST_SITTING_DOWN_MINUTES = 12;

interface Moment {
  /** UTC ms. */
  now: number;
  /** Since when the painter has been at the bench, UTC ms. */
  arrivedAt: number;
  /** Since when the clock runs; null while nothing is in the hand. */
  workingSince: number | null;
  /** When what is started could be begun, UTC ms; 0 when at any time, Infinity when not yet. */
  firstReadyAt: number;
}

/** The `readyAt` of a start: until then the painter waited; at the beginning of a sitting, since when the painter was there. */
export function readyAtOfStart({ now, arrivedAt, workingSince, firstReadyAt }: Moment): string | null {
  if (!(firstReadyAt <= now)) return null;
  const moment = (at: number) => new Date(at).toISOString();
  if (workingSince !== null) return firstReadyAt > workingSince ? moment(firstReadyAt) : null;
  const isMeasured = firstReadyAt <= arrivedAt && now - arrivedAt <= LONGEST_SITTING_DOWN_MINUTES * MINUTE_MS;
  return isMeasured ? moment(arrivedAt) : null;
}

/** Does painting this model next mean that another tray was fetched, with no start in between that measured it? */
export function isTrayFetched(line: Pick<BenchLine, 'units'>, events: readonly BenchEvent[], unitId: string, model: number): boolean {
  const last = effectiveEvents(events).findLast(({ kind }) => kind === 'done' || kind === 'started' || kind === 'ended');
  if (last?.kind !== 'done') return false;
  const trayOf = (unit: string | null, of: number | undefined) =>
    line.units.find(({ id }) => id === unit)?.trays.find(({ models }) => of !== undefined && models.includes(of))?.number;
  const before = trayOf(last.unit, last.models.at(-1));
  return before !== undefined && (last.unit !== unitId || before !== trayOf(unitId, model));
}
