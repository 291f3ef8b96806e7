import type { Steps } from '../steps';
import { minutesThatCount, type JudgedRow, type StretchAhead, type TimeModel } from './definitions';
import { fitTimeModelInSteps } from './fitTimeModel';
import { spreadsFor } from './forecastWork';
import { learnedFrom } from './learnedFrom';
import { normMinutes } from './norms';
import { stepKey } from './observations';
import { quantile } from './quantile';
import { PRIOR_SPREADS } from './spreads';

/** Minutes of a row as they were predicted from the rows before it, and as they were. */
export interface PredictedRow {
  actual: number;
  p10: number;
  p50: number;
  p90: number;
  norm: number;
  runningMean: number;
}

/** How good predictions were: absolute errors as shares of the actual minutes, and the mean log of actual over P50. */
export interface BacktestScore {
  rows: number;
  medianApe: number;
  mape: number;
  bias: number;
  /** Share of rows inside P10 to P90. */
  coverage80: number;
  baselines: { norm: { medianApe: number }; runningMean: { medianApe: number } };
}

/** Walks through a log by time: predicts each row from those before it, then takes it in. */
export function* backtest(rows: readonly JudgedRow[]): Steps<PredictedRow[]> {
  const counting = rows.filter((row) => minutesThatCount(row) !== null).sort((a, b) => Date.parse(a.startedAt) - Date.parse(b.startedAt));
  const predicted: PredictedRow[] = [];
  const means = new RunningMeans();
  let spreads = PRIOR_SPREADS;
  let learned = 0;
  let model: TimeModel | undefined;
  for (const [index, row] of counting.entries()) {
    const now = new Date(row.startedAt);
    const before = counting.slice(0, index);
    if (learnedFrom(index) !== learned) {
      learned = learnedFrom(index);
      spreads = yield* spreadsFor(before);
    }
    model = yield* fitTimeModelInSteps(before, now, spreads, model);
    const stretch: StretchAhead = { done: model.modelsDone(row), models: row.models, weight: row.weight / row.effort };
    const { p10, p50, p90 } = model.estimate(row, stretch, true);
    const actual = minutesThatCount(row)!;
    const norm = normMinutes(row.technique, row.size, row.coverage) * row.weight;
    predicted.push({
      actual,
      p10: p10 * row.weight,
      p50: p50 * row.weight,
      p90: p90 * row.weight,
      norm,
      runningMean: means.minutesOf(row) * row.weight,
    });
    means.take(row, actual);
  }
  return predicted;
}

export function scoreOf(predicted: readonly PredictedRow[]): BacktestScore {
  const medianApe = (of: (row: PredictedRow) => number) =>
    predicted.length === 0
      ? 0
      : quantile(
          predicted.map((row) => Math.abs(of(row) / row.actual - 1)).sort((a, b) => a - b),
          0.5,
        );
  const mean = (of: (row: PredictedRow) => number) =>
    predicted.length === 0 ? 0 : predicted.reduce((sum, row) => sum + of(row), 0) / predicted.length;
  return {
    rows: predicted.length,
    medianApe: medianApe((row) => row.p50),
    mape: mean((row) => Math.abs(row.p50 / row.actual - 1)),
    bias: mean((row) => Math.log(row.actual / row.p50)),
    coverage80: mean((row) => Number(row.actual >= row.p10 && row.actual <= row.p90)),
    baselines: {
      norm: { medianApe: medianApe((row) => row.norm) },
      runningMean: { medianApe: medianApe((row) => row.runningMean) },
    },
  };
}

/**
 * What a painter would do with a sheet of paper: the mean minutes of a model so far of the same unit, part and technique, else of
 * the technique and size by coverage, else the norm.
 */
class RunningMeans {
  private readonly here = new Map<string, { minutes: number; weight: number }>();
  private readonly elsewhere = new Map<string, { minutes: number; covered: number }>();

  minutesOf(row: JudgedRow): number {
    const here = this.here.get(stepKey(row));
    if (here) return here.minutes / here.weight;
    const elsewhere = this.elsewhere.get(`${row.technique} ${row.size}`);
    return elsewhere && row.coverage > 0
      ? (elsewhere.minutes / elsewhere.covered) * row.coverage
      : normMinutes(row.technique, row.size, row.coverage);
  }

  take(row: JudgedRow, minutes: number): void {
    const here = this.here.get(stepKey(row)) ?? { minutes: 0, weight: 0 };
    this.here.set(stepKey(row), { minutes: here.minutes + minutes, weight: here.weight + row.weight });
    if (row.coverage === 0) return;
    const key = `${row.technique} ${row.size}`;
    const elsewhere = this.elsewhere.get(key) ?? { minutes: 0, covered: 0 };
    this.elsewhere.set(key, { minutes: elsewhere.minutes + minutes, covered: elsewhere.covered + row.weight * row.coverage });
  }
}
