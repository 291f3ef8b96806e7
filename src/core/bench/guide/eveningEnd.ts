import { MINUTE_MS } from '../../kernel/timeUnits';
import type { BenchClock, BenchEvent, Marks } from '../definitions';
import { effectiveEvents } from '../replay/effectiveEvents';
import type { KnownFacts } from '../replay/factsBook';
import { foldClock, SITTING_GAP_MINUTES } from '../replay/foldClock';

/** What was done in a sitting. */
export interface SittingDone {
  /** UTC ms. */
  from: number;
  to: number;
  /** Hands-on, as far as it is known. */
  minutes: number;
  /** Coats on models. */
  modelSteps: number;
  /** Spots that were mended. */
  mended: number;
  /** Ids of the units, in the order they were taken up. */
  unitIds: string[];
}

interface Before {
  before: BenchClock;
  marked: Marks;
  knownFacts: KnownFacts;
}

/** The last sitting of these events; null where there is none. */
export function lastSitting(events: readonly BenchEvent[], around: Before): SittingDone | null {
  const effective = effectiveEvents(events).filter(({ kind }) => kind !== 'elsewhere');
  const last = effective.at(-1);
  if (!last) return null;
  let first = effective.length - 1;
  const at = (index: number) => Date.parse(effective[index]!.at);
  while (first > 0 && at(first) - at(first - 1) <= SITTING_GAP_MINUTES * MINUTE_MS) first--;
  const from = at(first);
  const stretches = foldClock(events, around).stretches.filter(({ startedAt, models }) => startedAt >= from && models.length > 0);
  const painted = stretches.filter(({ touchUp }) => !touchUp);
  return {
    from,
    to: Date.parse(last.at),
    minutes: stretches.reduce((sum, { minutes, open }) => sum + (open === null ? minutes : 0), 0),
    modelSteps: painted.reduce((sum, { models }) => sum + models.length, 0),
    mended: stretches.reduce((sum, { touchUp, models }) => sum + (touchUp ? models.length : 0), 0),
    unitIds: [...new Set(stretches.map(({ unit }) => unit))],
  };
}
