import type { Steps } from '../../kernel/steps';
import type { JudgedRow } from '../../log/definitions';
import type { StepEstimate } from '../definitions';
import type { StretchAhead } from '../../scheme/passes/stretchAhead';
import { fitTimeModelInSteps } from '../learn/fitTimeModel';
import { spreadsFor } from './forecastWork';
import { learnedFrom } from '../learn/learnedFrom';
import { RunningFit } from '../fit/RunningFit';
import { PRIOR_SPREADS } from '../fit/spreads';

/** Minutes of a row as the rows before it foretell them, for all its models together. */
export type RowPrediction = Pick<StepEstimate, 'p10' | 'p50' | 'p80' | 'p90'>;

interface Walk {
  /** The first row to predict; those before it are only taken in. */
  from: number;
  /** Rows as they come, odd ones among them, or sound work only. */
  orOdd: boolean;
}

/** Walks through rows by time: predicts each from those before it, then takes it in. Answers with one prediction for each row from `from` on. */
export function* predictRows(rows: readonly JudgedRow[], { from, orOdd }: Walk): Steps<RowPrediction[]> {
  const predictions: RowPrediction[] = [];
  let spreads = PRIOR_SPREADS;
  let learned = 0;
  const running = new RunningFit();
  for (let index = from; index < rows.length; index++) {
    const row = rows[index]!;
    const before = rows.slice(0, index);
    if (learnedFrom(index) !== learned) {
      learned = learnedFrom(index);
      spreads = yield* spreadsFor(before);
    }
    const model = yield* fitTimeModelInSteps(before, new Date(row.startedAt), spreads, running);
    const weight = row.weight / row.effort;
    const stretch: StretchAhead = { done: model.modelsDone(row), models: row.models, weight };
    const { p10, p50, p80, p90 } = model.estimate(row, stretch, orOdd);
    predictions.push({ p10: p10 * row.weight, p50: p50 * row.weight, p80: p80 * row.weight, p90: p90 * row.weight });
  }
  return predictions;
}
