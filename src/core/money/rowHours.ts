import { minutesThatCount, type JudgedRow } from '../log/definitions';
import { type TimeModel } from '../time/definitions';
import { stretchMinutes } from '../time/fit/learningCurve';
import { stepKey } from '../time/fit/observations';

/** What a row of the log counts for as work. */
export interface RowHours<R extends JudgedRow> {
  row: R;
  /** Hands-on minutes: those that count, else what the step is estimated at. */
  handsOn: number;
  setUp: number;
  /** False where nobody knows them, or where the painter left the row out: something was painted all the same. */
  isKnown: boolean;
}

/** Rows as work, in the order they were painted; work without a known time counts at its estimate. */
export function rowHours<R extends JudgedRow>(rows: readonly R[], model: Pick<TimeModel, 'curve'>): RowHours<R>[] {
  const doneOf = new Map<string, number>();
  return rows.map((row) => {
    const key = stepKey(row);
    const done = doneOf.get(key) ?? 0;
    doneOf.set(key, done + row.models);
    const known = row.verdict === 'left out' ? null : minutesThatCount(row);
    const estimated = () => stretchMinutes(model.curve(row), { done, models: row.models, weight: row.weight / row.effort }) * row.effort;
    return {
      row,
      handsOn: known ?? estimated(),
      setUp: row.verdict === 'left out' ? 0 : (row.setupMinutes ?? 0),
      isKnown: known !== null,
    };
  });
}

/** Work whose time is not known: model-steps, and the minutes they are estimated at. */
export interface UnknownWork {
  steps: number;
  minutes: number;
}

export const unknownWork = (hours: readonly RowHours<JudgedRow>[]): UnknownWork =>
  hours
    .filter(({ isKnown }) => !isKnown)
    .reduce((sum, { row, handsOn }) => ({ steps: sum.steps + row.models, minutes: sum.minutes + handsOn }), { steps: 0, minutes: 0 });
