import { MINUTE_MS } from '../../core/kernel/timeUnits';
import type { LinePlan, LineSession, OrderChange } from '../../core/line/definitions';
import type { LineSessions } from '../../core/plan/dates/lineSessions';
import { counted, differenceText, minutesText, momentText } from '../../ui/format';

/** Less than this is not told apart. */
const SMALLEST_MINUTES = 0.05;
/** Ends of sessions that stay unused part the finish from the bench time; within a session less than this is not worth a word. */
const WORTH_SAYING_MINUTES = 15;
/** Lateness counts each minute many times over: less is rounding. */
const WORTH_LATENESS = 1;

/** Says the minutes of a plan as the painter reads them: counted from the start, or as days and times of the sessions. */
export class LineTimes {
  constructor(private readonly calendar: LineSessions | null) {}

  get sessions(): LineSession[] | null {
    return this.calendar?.sessions ?? null;
  }

  /** Moment of a minute, UTC ms; null when the line is counted from its start. */
  momentOf(minute: number): number | null {
    return this.calendar && this.calendar.origin + minute * MINUTE_MS;
  }

  when(minute: number): string {
    const moment = this.momentOf(minute);
    return moment === null ? minutesText(minute) : momentText(moment);
  }

  /** The session that work done until this minute ends in. */
  sessionOf(minute: number): number {
    const behind = this.calendar?.sessions.findIndex((session) => session.from >= minute - SMALLEST_MINUTES) ?? 0;
    return behind < 0 ? this.calendar!.sessions.length - 1 : Math.max(0, behind - 1);
  }

  /** The last session that begins before this minute; -1 when none does. */
  lastSessionBefore(minute: number): number {
    return this.calendar?.sessions.findLastIndex((session) => session.from < minute - SMALLEST_MINUTES) ?? 0;
  }

  /** What another order changes against a line that is done at this minute. */
  changeText({ bench, finish, late }: OrderChange, doneAt: number): string {
    if (!this.calendar) return differenceText(bench);
    const sessions = this.sessionOf(doneAt + finish) - this.sessionOf(doneAt);
    const hasBench = Math.abs(bench) >= SMALLEST_MINUTES;
    const isApart = Math.abs(finish - bench) >= (hasBench ? WORTH_SAYING_MINUTES : SMALLEST_MINUTES);
    const isSame = sessions === 0 && Math.abs(finish) < SMALLEST_MINUTES;
    const shift = sessions === 0 ? minutesText(Math.abs(finish)) : counted(Math.abs(sessions), 'session');
    const parts = [
      hasBench && differenceText(bench),
      Math.abs(late) >= WORTH_LATENESS && (late > 0 ? 'worse for the dates' : 'better for the dates'),
      (sessions !== 0 || isApart) && (isSame ? 'done no later' : `done ${shift} ${finish > 0 ? 'later' : 'earlier'}`),
    ].filter(Boolean);
    return parts.length === 0 ? differenceText(0) : parts.join(', ');
  }

  /** How far from the best possible a plan can be, in words: minutes of all that is weighed, days and changes among it. */
  gapText({ proven, total, bound, bench }: LinePlan): string {
    if (proven) return 'the best possible';
    // Days of lateness outweigh the bench many times over: how far a bound lies below them says nothing.
    if (total - bound > bench) return 'not proven the best possible';
    return `at most ${Math.max(1, Math.ceil(total - bound))} weighed min from the best possible`;
  }

  /** How much the whole line is, and until when. */
  totalText({ bench, finish }: LinePlan): { amount: string; until: string } {
    if (!this.calendar) return { amount: minutesText(bench), until: 'at the bench' };
    return {
      amount: minutesText(bench),
      until: `at the bench in ${counted(this.sessionOf(finish) + 1, 'session')}, done ${this.when(finish)}`,
    };
  }
}
