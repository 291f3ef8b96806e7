import { allAtOnce, type Steps } from '../steps';
import type { JudgedRow, TimeModel } from './definitions';
import { Fit } from './Fit';
import { learnSpreads } from './learnSpreads';
import { prepareLog } from './observations';
import { Posterior } from './Posterior';
import { PRIOR_SPREADS, type Spreads } from './spreads';

/**
 * What the log says of how long things take, for given spreads. `now` gives the rows their ages; in which order they come does
 * not matter. Rows left out by the painter, and rows whose minutes nobody knows, count as practice only.
 */
export const fitTimeModel = (rows: readonly JudgedRow[], now: Date, spreads: Spreads = PRIOR_SPREADS): TimeModel =>
  allAtOnce(fitTimeModelInSteps(rows, now, spreads));

/** The same, one round at a time. With a fit `before` of nearly the same rows it is done in a few rounds, with the same result. */
export function* fitTimeModelInSteps(
  rows: readonly JudgedRow[],
  now: Date,
  spreads: Spreads = PRIOR_SPREADS,
  before?: TimeModel,
): Steps<TimeModel> {
  const fit = new Fit(prepareLog(rows, now), spreads);
  yield;
  const model = new Posterior(fit, rows);
  if (before instanceof Posterior) model.startFrom(before);
  yield* fit.settle();
  model.read();
  return model;
}

/** How much techniques, units, steps, stretches and slopes differ in this log. */
export function* learnSpreadsOf(rows: readonly JudgedRow[], now: Date): Steps<Spreads> {
  return yield* learnSpreads(prepareLog(rows, now));
}
