import { allAtOnce, type Steps } from '../../kernel/steps';
import type { JudgedRow } from '../../log/definitions';
import type { TimeModel } from '../definitions';
import { learnSpreads } from './learnSpreads';
import { prepareLog } from '../fit/observations';
import { Posterior } from '../answer/Posterior';
import { RunningFit } from '../fit/RunningFit';
import { PRIOR_SPREADS, type Spreads } from '../fit/spreads';

/**
 * What the log says of how long things take, for given spreads. `now` gives the rows their ages; in which order they come does
 * not matter. Rows left out by the painter, and rows whose minutes nobody knows, count as practice only.
 */
export const fitTimeModel = (rows: readonly JudgedRow[], now: Date, spreads: Spreads = PRIOR_SPREADS): TimeModel =>
  allAtOnce(fitTimeModelInSteps(rows, now, spreads));

/** The same, one round at a time; goes on from what `running` fitted before. */
export function* fitTimeModelInSteps(
  rows: readonly JudgedRow[],
  now: Date,
  spreads: Spreads = PRIOR_SPREADS,
  running = new RunningFit(),
): Steps<TimeModel> {
  return new Posterior((yield* running.fit(rows, now, spreads)).fitted);
}

/** How much techniques, units, steps, stretches and slopes differ in this log. */
export function* learnSpreadsOf(rows: readonly JudgedRow[], now: Date): Steps<Spreads> {
  return yield* learnSpreads(prepareLog(rows, now));
}
