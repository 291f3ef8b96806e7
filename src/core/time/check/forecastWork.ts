import type { Steps } from '../../kernel/steps';
import type { JudgedRow } from '../../log/definitions';
import type { StepKind, WorkItem } from '../definitions';
import { fitTimeModelInSteps, learnSpreadsOf } from '../learn/fitTimeModel';
import { learnedFrom } from '../learn/learnedFrom';
import { stepKey } from '../fit/observations';
import { quantile } from '../../kernel/quantile';
import { PRIOR_SPREADS, type Spreads } from '../fit/spreads';

/** Hands-on minutes of some work together; quantiles of the joint posterior. */
export interface WorkForecast {
  p10: number;
  p50: number;
  p80: number;
  p90: number;
  p95: number;
}

const DRAWS = 4000;

/** What is learned of a log as a whole: the spreads of the first rows that its length allows. */
export function* spreadsFor(rows: readonly JudgedRow[]): Steps<Spreads> {
  const count = learnedFrom(rows.length);
  return count === 0 ? PRIOR_SPREADS : yield* learnSpreadsOf(rows.slice(0, count), new Date(rows[count - 1]!.startedAt));
}

/**
 * What work will take after a log. Pieces of one step are done one after the other, each at the repetitions it will have;
 * interruptions are no hands-on time. `rows` by time; `now` is when the work begins.
 */
export function* forecastWork(
  rows: readonly JudgedRow[],
  work: readonly { kind: StepKind; models: number }[],
  now: Date,
  seed: number,
): Steps<WorkForecast> {
  const model = yield* fitTimeModelInSteps(rows, now, yield* spreadsFor(rows));
  const done = new Map<string, number>();
  const items = work.map(({ kind, models }): WorkItem => {
    const key = stepKey(kind);
    const before = done.get(key) ?? model.modelsDone(kind);
    done.set(key, before + models);
    return { kind, done: before, models, weight: models, effort: 1 };
  });
  const [totals] = yield* model.simulate([items], DRAWS, seed);
  const sorted = totals!.sort();
  const at = (share: number) => quantile(sorted, share);
  return { p10: at(0.1), p50: at(0.5), p80: at(0.8), p90: at(0.9), p95: at(0.95) };
}
