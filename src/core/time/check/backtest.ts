import type { Steps } from '../../kernel/steps';
import { minutesThatCount, type JudgedRow } from '../../log/definitions';
import { normMinutes } from '../fit/norms';
import { stepKey } from '../fit/observations';
import { predictRows, type RowPrediction } from './predictRows';
import { quantile } from '../../kernel/quantile';

/** Minutes of a row as they were predicted from the rows before it, and as they were. */
export interface PredictedRow extends RowPrediction {
  actual: number;
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
  const predictions = yield* predictRows(counting, { from: 0, orOdd: true });
  const means = new RunningMeans();
  return counting.map((row, index): PredictedRow => {
    const actual = minutesThatCount(row)!;
    const norm = normMinutes(row.technique, row.size, row.coverage) * row.weight;
    const runningMean = means.minutesOf(row) * row.weight;
    means.take(row, actual);
    return { ...predictions[index]!, actual, norm, runningMean };
  });
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
