import { factorOf } from '../../scheme/model/whoTakes';
import type { OpenReason } from '../../log/definitions';
import type { Stretch, WorkFacts } from '../definitions';

/** One tap of a stretch and the minutes that the clock ran for it; null when the clock was not running. */
export interface TimedTap {
  id: string;
  at: number;
  models: number[];
  minutes: number | null;
  /** The painter gave the minutes. */
  isTold: boolean;
}

/** Nobody paints one model under one pass for longer without a tap, unless it is planned to take as long. */
const LONGEST_GAP_MINUTES = 90;
const LONGEST_GAP_TIMES_PLANNED = 3;
/** A tap that follows so soon, as a share of the planned minutes, within these bounds, belongs to the one before it. */
const QUICK_SHARE = 0.15;
const QUICK_LEAST_MINUTES = 2 / 60;
const QUICK_MOST_MINUTES = 20 / 60;
/** Several models ticked at once were painted in the time before when it is at least this share of what is planned for them. */
const TOGETHER_SHARE = 0.4;

interface Undivided extends Omit<Stretch, 'models' | 'weight' | 'minutes' | 'open'> {
  taps: TimedTap[];
}

/**
 * A stretch of work as what the clock knows of it and what it does not. Models ticked off faster than anybody paints, or over
 * a gap longer than anybody paints, are marks without time: they stand apart, so that the painter can say what they took.
 */
export function divideStretch({ taps, ...stretch }: Undivided): Stretch[] {
  const timed: TimedTap[] = [];
  const open: { taps: TimedTap[]; reason: OpenReason }[] = [];
  for (const group of groupsOf(taps, stretch.facts)) {
    const reason = stretch.touchUp ? gapIn(group, stretch.facts) : openReason(group, stretch.facts);
    if (reason === null) timed.push(...group);
    else open.push({ taps: group, reason });
  }
  const part = (of: TimedTap[], reason: OpenReason | null): Stretch => {
    const models = of.flatMap((tap) => tap.models);
    return {
      ...stretch,
      ...(reason !== null && {
        id: `${of[0]!.id}-open`,
        startedAt: of[0]!.at,
        setupMinutes: null,
        setupFrom: null,
        setupTo: null,
        notes: [],
      }),
      models,
      weight: weightOf(models, stretch.facts) * stretch.facts.effort,
      minutes: minutesOf(of) ?? 0,
      open: reason,
    };
  };
  return [...(timed.length > 0 ? [part(timed, null)] : []), ...open.map((each) => part(each.taps, each.reason))];
}

/** Models at their factor: a leader counts as more than one. */
export const weightOf = (models: readonly number[], { factors }: Pick<WorkFacts, 'factors'>): number =>
  models.reduce((sum, model) => sum + factorOf(factors, model), 0);

/** Taps in quick succession stand together. */
function groupsOf(taps: readonly TimedTap[], facts: WorkFacts): TimedTap[][] {
  const quick = Math.min(QUICK_MOST_MINUTES, Math.max(QUICK_LEAST_MINUTES, QUICK_SHARE * facts.minutes));
  const groups: TimedTap[][] = [];
  for (const tap of taps) {
    // What was told is of the models it was told for: those ticked after them are asked about.
    const isOfTheLast = groups.length > 0 && !tap.isTold && !groups.at(-1)!.some((each) => each.isTold);
    if (isOfTheLast && tap.minutes !== null && tap.minutes < quick) groups.at(-1)!.push(tap);
    else groups.push([tap]);
  }
  return groups;
}

const minutesOf = (taps: readonly TimedTap[]): number | null =>
  taps.some((tap) => tap.minutes === null) ? null : taps.reduce((sum, tap) => sum + tap.minutes!, 0);

function gapIn(taps: readonly TimedTap[], facts: WorkFacts): OpenReason | null {
  if (taps.some((tap) => tap.isTold)) return null;
  const minutes = minutesOf(taps);
  const planned =
    facts.minutes *
    weightOf(
      taps.flatMap((tap) => tap.models),
      facts,
    );
  if (minutes !== null && minutes <= Math.max(LONGEST_GAP_MINUTES, LONGEST_GAP_TIMES_PLANNED * planned)) return null;
  return taps.length > 1 && minutes === null ? 'late' : 'gap';
}

function openReason(taps: readonly TimedTap[], facts: WorkFacts): OpenReason | null {
  // Ticked from the leg sheet, and how long it took was not written there.
  if (taps.some((tap) => tap.isTold && tap.minutes === 0)) return 'late';
  const gap = gapIn(taps, facts);
  if (gap !== null || taps.some((tap) => tap.isTold)) return gap;
  const models = taps.flatMap((tap) => tap.models);
  const share = models.length > 1 ? TOGETHER_SHARE : QUICK_SHARE;
  return minutesOf(taps)! < Math.max(QUICK_LEAST_MINUTES, share * facts.minutes * weightOf(models, facts)) ? 'late' : null;
}
