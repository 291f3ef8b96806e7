import { minutesThatCount, type JudgedRow, type StepKind } from './definitions';
import { paceAt, SLOPE_OF_ALL, sizeAt, slopeAt, techniqueAt } from './effects';
import { normMinutes } from './norms';

const DAY_MS = 86_400_000;
const DAYS_A_MONTH = 30;

/** A name with a separator cannot be an id. */
const named = (...names: string[]) => names.join('\u0001');
export const unitKey = (kind: Pick<StepKind, 'unitId' | 'commission' | 'unit'>): string => kind.unitId ?? named(kind.commission, kind.unit);
export const stepKey = (kind: Omit<StepKind, 'coverage'>): string =>
  kind.stepId === null
    ? named(kind.commission, kind.unit, kind.part, kind.technique, kind.size)
    : named(unitKey(kind), kind.stepId, kind.technique);

/** One row of the log ready for the fit. */
export interface Observation {
  /** Place in the rows given. */
  index: number;
  step: number;
  /** Logarithm of minutes over the norm, for a model counted at its factor. */
  logRatio: number;
  /** Models of this step that were done before, and in this stretch. */
  done: number;
  models: number;
  pace: number;
  /** Logarithm of the weight of its models over their number: 0 where no leaders are in it. */
  leaders: number;
  /** The painter vouches for it. */
  trusted: boolean;
}

/** A step of the log: one technique on one part of one unit. */
export interface LoggedStep {
  unit: number;
  /** Effects that all its rows share, and those of its learning slope. */
  fixed: [technique: number, size: number];
  slopes: [all: number, technique: number];
  /** Models in its rows, whether their minutes are known or not: what is practised is practised. */
  models: number;
  /** Those whose minutes count, and the stretches they were painted in. */
  counted: number;
  stretches: number;
}

/** A log as the fit reads it: by time, whatever the order its rows came in. */
export interface PreparedLog {
  observations: Observation[];
  steps: LoggedStep[];
  stepIndex: ReadonlyMap<string, number>;
  unitIndex: ReadonlyMap<string, number>;
  modelsOfTechnique: ReadonlyMap<string, number>;
  stretchesOfTechnique: ReadonlyMap<string, number>;
}

/** Reads rows for the fit; `now` gives their ages. Rows left out and rows whose minutes nobody knows count as practice only. */
export function prepareLog(rows: readonly JudgedRow[], now: Date): PreparedLog {
  const steps: LoggedStep[] = [];
  const stepIndex = new Map<string, number>();
  const unitIndex = new Map<string, number>();
  const modelsOfTechnique = new Map<string, number>();
  const stretchesOfTechnique = new Map<string, number>();
  const observations: Observation[] = [];
  for (const index of inTime(rows)) {
    const row = rows[index]!;
    const step = numberOf(stepIndex, stepKey(row));
    if (step === steps.length) {
      steps.push({
        unit: numberOf(unitIndex, unitKey(row)),
        fixed: [techniqueAt(row.technique), sizeAt(row.size)],
        slopes: [SLOPE_OF_ALL, slopeAt(row.technique)],
        models: 0,
        counted: 0,
        stretches: 0,
      });
    }
    const logged = steps[step]!;
    const done = logged.models;
    logged.models += row.models;
    const minutes = minutesThatCount(row);
    if (row.verdict === 'left out' || minutes === null) continue;
    logged.counted += row.models;
    logged.stretches++;
    modelsOfTechnique.set(row.technique, (modelsOfTechnique.get(row.technique) ?? 0) + row.models);
    stretchesOfTechnique.set(row.technique, (stretchesOfTechnique.get(row.technique) ?? 0) + 1);
    observations.push({
      index,
      step,
      logRatio: Math.log(minutes / row.weight / normMinutes(row.technique, row.size, row.coverage)),
      done,
      models: row.models,
      pace: paceAt(Math.max(0, now.getTime() - Date.parse(row.startedAt)) / DAY_MS / DAYS_A_MONTH),
      leaders: Math.log(row.weight / row.effort / row.models),
      trusted: row.verdict === 'counts' || row.correctedMinutes !== null,
    });
  }
  return { observations, steps, stepIndex, unitIndex, modelsOfTechnique, stretchesOfTechnique };
}

/** Places of the rows by when they were started; rows of one moment by what they say. */
function inTime(rows: readonly JudgedRow[]): number[] {
  const at = rows.map(({ startedAt }) => Date.parse(startedAt));
  const isSorted = at.every((moment, index) => index === 0 || at[index - 1]! < moment);
  const places = rows.map((_, index) => index);
  if (isSorted) return places;
  const content = (index: number) => {
    const row = rows[index]!;
    return `${stepKey(row)} ${row.models} ${row.weight} ${row.minutes} ${row.correctedMinutes} ${row.verdict}`;
  };
  return places.sort((a, b) => at[a]! - at[b]! || (content(a) < content(b) ? -1 : 1));
}

function numberOf(numbers: Map<string, number>, key: string): number {
  const known = numbers.get(key);
  if (known !== undefined) return known;
  numbers.set(key, numbers.size);
  return numbers.size - 1;
}
