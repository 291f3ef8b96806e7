import type { KeptJudgement, LogRow, RowJudgement } from './definitions';

/**
 * What the painter said of a row, on the row as it is now. A correction holds for the models that it was made of: those painted
 * into the row since bring the minutes that the clock measured for them. Where it measured none the row is asked about again.
 */
export function judgementOn(row: Pick<LogRow, 'models' | 'minutes' | 'open'>, said: KeptJudgement): RowJudgement {
  const { verdict, correctedMinutes, ofModels, ofMinutes } = said;
  if (correctedMinutes === null || ofModels === null || ofMinutes === null) return { verdict, correctedMinutes };
  if (row.models <= ofModels) return { verdict, correctedMinutes: (correctedMinutes * row.models) / ofModels };
  if (row.open !== null) return { verdict: 'unsure', correctedMinutes: null };
  return { verdict, correctedMinutes: correctedMinutes + Math.max(0, row.minutes - ofMinutes) };
}
