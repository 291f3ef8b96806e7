import { HOUR_MS, MINUTE_MS } from '../../kernel/timeUnits';
import { factsOf } from '../../scheme/model/techniques';
import { minutesThatCount, type JudgedRow } from '../../log/definitions';
import type { RowPrediction } from './predictRows';

/** A row whose minutes were foretold before it was painted. */
export interface ForetoldRow {
  row: JudgedRow;
  prediction: RowPrediction;
  /** Minutes that count. */
  actual: number;
}

/** Of so many figures given as safe, and of so many intervals, how many held. */
export interface HitRate {
  rows: number;
  /** At most what was called safe: 80 of 100 should be. */
  safe: number;
  /** Between P10 and P90: 80 of 100 should be. */
  inside: number;
}

export function hitRate(rows: readonly ForetoldRow[]): HitRate {
  return {
    rows: rows.length,
    safe: rows.filter(({ actual, prediction }) => actual <= prediction.p80).length,
    inside: rows.filter(({ actual, prediction }) => actual >= prediction.p10 && actual <= prediction.p90).length,
  };
}

/** How much longer than estimated the rows of a group took, and whether that can be more than chance. */
export interface GroupPace {
  name: string;
  rows: number;
  /** Typical share more (less where negative) than all rows together. */
  more: number;
  /** The log shows it: it is farther from the others than chance alone puts one of a dozen groups. */
  isClear: boolean;
}

const FEWEST_ROWS = 8;
/** With a dozen groups side by side, one would stand out by twice its error by chance alone. */
const CLEAR_ERRORS = 2.6;

/** Compares groups of rows with all rows by what they took against what was foretold; groups of a few rows are left out. */
export function groupPaces(rows: readonly ForetoldRow[], nameOf: (row: ForetoldRow) => string | null): GroupPace[] {
  const groups = new Map<string, number[]>();
  const all: number[] = [];
  for (const each of rows) {
    const name = nameOf(each);
    if (name === null) continue;
    const away = Math.log(each.actual / each.prediction.p50);
    all.push(away);
    groups.set(name, [...(groups.get(name) ?? []), away]);
  }
  const overall = meanOf(all);
  return [...groups]
    .filter(([, values]) => values.length >= FEWEST_ROWS)
    .map(([name, values]) => {
      const away = meanOf(values) - overall;
      const error = Math.sqrt(values.reduce((sum, value) => sum + (value - overall - away) ** 2, 0) / (values.length - 1) / values.length);
      return { name, rows: values.length, more: Math.exp(away) - 1, isClear: Math.abs(away) > CLEAR_ERRORS * error };
    });
}

const meanOf = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

/** Parts of a job as painters speak of them: what is built, what is painted up to the shade, and all that comes after it. */
export const STAGES = ['build', 'base', 'tail'] as const;
export type Stage = (typeof STAGES)[number];

export function stageOf({ technique }: Pick<JudgedRow, 'technique'>): Stage {
  const { moment } = factsOf(technique);
  if (moment === 'build' || moment === 'ground') return 'build';
  return moment === 'prime' || moment === 'base' || moment === 'shade' ? 'base' : 'tail';
}

/** Hands-on minutes of rows by stage. */
export function stageMinutes(rows: readonly JudgedRow[]): Record<Stage, number> {
  const minutes: Record<Stage, number> = { build: 0, base: 0, tail: 0 };
  for (const row of rows) if (row.verdict !== 'left out') minutes[stageOf(row)] += minutesThatCount(row) ?? 0;
  return minutes;
}

const SITTING_GAP_MS = 4 * HOUR_MS;

/** Minutes from the begin of its sitting to the begin of each row, rows by time. */
export function minutesIntoSitting(rows: readonly JudgedRow[]): number[] {
  let begin = -Infinity;
  let last = -Infinity;
  return rows.map(({ startedAt, minutes }) => {
    const at = Date.parse(startedAt);
    if (at - last > SITTING_GAP_MS) begin = at;
    last = Math.max(last, at + minutes * MINUTE_MS);
    return (at - begin) / MINUTE_MS;
  });
}
