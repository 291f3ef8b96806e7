import { MINUTE_MS } from '../../../core/kernel/timeUnits';
import { useCallback, useState } from 'react';
import { isOwnDate } from '../../../core/plan/dates/lineDates';
import type { DrawnDate } from '../../../core/plan/dates/benchQueue';
import type { LinePlan, TimedDue } from '../../../core/line/definitions';
import type { KeptDate } from '../../../core/line/hand/keepDate';
import { BenchCalendar } from '../../../core/line/timing/BenchCalendar';
import { doneDates, FITS_CHANCE } from '../../../core/plan/dates/forecast';
import type { LinePicture } from '../../../contract/line';
import { Button } from '../../../ui/Button/Button';
import { counted, dayText, differenceText, minutesText } from '../../../ui/format';
import { useDerived } from '../../client/useDerived';
import { Broken } from '../../shared/Broken';
import { chanceText } from '../../shared/dateWords';
import type { LineTimes } from '../../shared/LineTimes';
import type { LineDeskCalls } from '../search/useDesk';
import { Working } from '../../../ui/Working/Working';
import styles from './Dates.module.css';

interface DatesProps {
  picture: LinePicture;
  plan: LinePlan;
  times: LineTimes;
  /** Under the draws; null until they are known. */
  drawn: DrawnDate[] | null;
  order: Int32Array;
  desk: LineDeskCalls;
  onTake: (order: ArrayLike<number>) => void;
}

/** Each commission on the line with its date: when it is done by this order, how sure that is, and what a missed date would take. */
export function Dates({ picture, plan, times, drawn, order, desk, onTake }: DatesProps) {
  const { asked, setAsked, kept } = useKept(order, desk);
  const nameOf = (id: string) => picture.commissions.find((each) => each.id === id)?.name ?? '';
  return (
    <ul className={styles.dates} aria-label="Dates">
      {plan.due.filter(isOwnDate).map(({ id, end, at }) => {
        const { dueOn, leavesBy, cureDays } = picture.commissions.find((each) => each.id === id)!;
        const isLate = end > at;
        const under = drawn?.find((date) => date.id === id);
        const { chance, safeAt } = under ? doneDates(under.ends, end, at, 0) : { chance: null, safeAt: null };
        return (
          <li key={id} data-late={isLate} data-testid="date">
            <strong>{nameOf(id)}</strong>
            <span>
              due {dayText(dueOn)}
              {leavesBy !== dueOn && `, parcel goes ${dayText(leavesBy)}`}
              {cureDays > 0 && `, ${counted(cureDays, 'day')} for varnish to cure`}
              {partText(picture, id)}, done {times.when(end)}
              {isLate && `, ${lateText(times, end, at)}`}
              {drawn === null && ', working out how sure that is …'}
              {chance !== null && chance < FITS_CHANCE && `, ${chanceText(chance)}`}
              {safeAt !== null && !isLate && `, at the latest ${times.when(safeAt / MINUTE_MS)}`}
            </span>
            {isLate && asked !== id && (
              <Button kind="quiet" onClick={() => setAsked(id)}>
                What would keep it?
              </Button>
            )}
            {isLate && asked === id && kept.error === null && (
              <Kept kept={kept.value} date={id} times={times} nameOf={nameOf} onTake={onTake} />
            )}
            {isLate && asked === id && kept.error !== null && <Broken error={kept.error} again={kept.again} />}
          </li>
        );
      })}
    </ul>
  );
}

/** What keeping one date would take, asked anew when the order changes: while a search goes on it does. */
function useKept(order: Int32Array, desk: LineDeskCalls) {
  const [asked, setAsked] = useState<string | null>(null);
  const work = useCallback(() => desk.call<KeptDate>((remote) => remote.keep(order, asked!)), [desk, order, asked]);
  return { asked, setAsked, kept: useDerived(asked === null ? null : work) };
}

/** Only some of a commission's units may be on the line. */
function partText({ choices, trays }: LinePicture, id: string): string {
  const units = choices.filter((unit) => unit.commissionId === id && unit.hasScheme);
  const here = units.filter((unit) => trays.some((tray) => tray.unitId === unit.id));
  return here.length < units.length ? ` (${here.length} of its ${units.length} units are here)` : '';
}

function lateText(times: LineTimes, end: number, at: number): string {
  const sessions = times.sessionOf(end) - times.lastSessionBefore(at);
  return `late by ${counted(Math.max(1, sessions), 'session')}`;
}

interface KeptProps {
  kept: KeptDate | null;
  date: string;
  times: LineTimes;
  nameOf: (id: string) => string;
  onTake: (order: ArrayLike<number>) => void;
}

/** The price of keeping a date; where no order keeps it, what would have to give. */
function Kept({ kept, date, times, nameOf, onTake }: KeptProps) {
  if (!kept)
    return (
      <span role="status">
        <Working label="Looking for an order that keeps it …" />
      </span>
    );
  const own = kept.after.find(({ id }) => id === date)!;
  const others = movedOthers(kept, date, times, nameOf);
  const wasEnd = kept.before.find(({ id }) => id === date)!.end;
  return (
    <>
      <span role="status" data-testid="kept">
        {kept.isKept
          ? `In time: ${differenceText(kept.bench)} at the bench${others}.`
          : `No order found keeps it: done ${times.when(own.end)} with everything else behind it. To keep it, ${minutesText(missing(times, own))} more at the bench before that day, or as much less to paint.`}
      </span>
      {own.end < wasEnd && (
        <Button kind="quiet" onClick={() => onTake(kept.order)}>
          {kept.isKept ? 'Keep it' : 'As early as can be'}
        </Button>
      )}
    </>
  );
}

function movedOthers({ before, after }: KeptDate, date: string, times: LineTimes, nameOf: (id: string) => string): string {
  const moved = after.filter(isOwnDate).flatMap(({ id, end, at }) => {
    if (id === date) return [];
    const sessions = times.sessionOf(end) - times.sessionOf(before.find((each) => each.id === id)!.end);
    if (sessions === 0) return [];
    return [`${nameOf(id)} ${counted(Math.abs(sessions), 'session')} ${sessions > 0 ? 'later' : 'earlier'}${end > at ? ', late' : ''}`];
  });
  return moved.length === 0 ? ', no other date moves' : `; ${moved.join('; ')}`;
}

/** Minutes of sessions between a date and the end of its work. */
function missing(times: LineTimes, { end, at }: TimedDue): number {
  const calendar = BenchCalendar.of(times.sessions!);
  return calendar.benchTimeAt(end) - calendar.benchTimeAt(at);
}
