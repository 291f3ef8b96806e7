import { DAY_MS } from '../../kernel/timeUnits';
import { SURFACE_CM2 } from '../../scheme/model/definitions';
import { minutesThatCount, type JudgedRow } from '../../log/definitions';
import { type StepKind } from '../definitions';
import { paceAt, SLOPE_OF_ALL, sizeAt, slopeAt, techniqueAt } from './effects';
import { normMinutes } from './norms';

const DAYS_A_MONTH = 30;

/** A name with a separator cannot be an id. */
const named = (...names: string[]) => names.join('\u0001');
export const unitKey = (kind: Pick<StepKind, 'unitId' | 'commission' | 'unit'>): string => kind.unitId ?? named(kind.commission, kind.unit);
export const stepKey = (kind: Omit<StepKind, 'coverage'>): string =>
  kind.stepId === null
    ? named(kind.commission, kind.unit, kind.part, kind.technique, kind.size)
    : named(unitKey(kind), kind.stepId, kind.technique);

/** Copies of one step, and the step itself, are found by its id and the technique. */
export const originKey = (id: string, technique: string): string => named('origin', id, technique);
/** Where a step that was copied is to be looked for; null where it was not. */
export const likeKey = ({ stepLike, technique }: Pick<StepKind, 'stepLike' | 'technique'>): string | null =>
  stepLike === null ? null : originKey(stepLike, technique);

/** One row of the log ready for the fit. */
export interface Observation {
  /** Place in the rows given. */
  index: number;
  step: number;
  /** Of the copies of steps that have several; -1 where the step is painted in one place only. */
  copy: number;
  /** Logarithm of minutes over the norm, for a model counted at its factor. */
  logRatio: number;
  /** Models of this step that were done before in this place, and in this stretch. */
  done: number;
  models: number;
  /** Models of like orders done before this one was begun, less as months have gone by: a share of them is still in the hand. */
  practised: number;
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
  /** Models in its rows, whether their minutes are known or not, over all its copies: what is practised is practised. */
  models: number;
  /** Logarithm of the surface it covers on a model, cm2, as it was painted first. */
  logArea: number;
  /** When a row of it was begun last, ms. */
  lastAt: number;
  /** Those whose minutes count, and the stretches they were painted in. */
  counted: number;
  stretches: number;
}

/** A log as the fit reads it: by time, whatever the order its rows came in. */
export interface PreparedLog {
  observations: Observation[];
  steps: LoggedStep[];
  /** By step and unit; copies of a step lead to the same. */
  stepIndex: ReadonlyMap<string, number>;
  /** The key by which each step was met first. */
  stepNames: readonly string[];
  /** Steps by what copies of them name. */
  origins: ReadonlyMap<string, number>;
  /** Each place a step is painted in, by step and unit. */
  places: ReadonlyMap<string, StepPlace>;
  /** Copies of steps that have several: the step of each. */
  copies: readonly number[];
  unitIndex: ReadonlyMap<string, number>;
  modelsOfTechnique: ReadonlyMap<string, number>;
  stretchesOfTechnique: ReadonlyMap<string, number>;
}

/** A step in one unit. */
export interface StepPlace {
  step: number;
  /** Its number among the copies; -1 where the step has no other place. */
  copy: number;
  models: number;
  practised: number;
}

/** Logarithm of the surface that a step covers on a model, cm2. */
export const logAreaOf = ({ size, coverage }: Pick<StepKind, 'size' | 'coverage'>): number => Math.log(SURFACE_CM2[size] * coverage);

/** So many months after it was put down, half of the practice of a like order is gone. */
const HALF_LIFE_MONTHS = 12;
const MONTH_MS = DAYS_A_MONTH * DAY_MS;

/** Models of a step done before, as they count when it is begun again at a moment (ms). */
export const practiceAt = ({ models, lastAt }: Pick<LoggedStep, 'models' | 'lastAt'>, at: number): number =>
  models * 0.5 ** (Math.max(0, at - lastAt) / MONTH_MS / HALF_LIFE_MONTHS);

/** All of a row that the fit reads: rows alike in these are fitted alike. */
export const FIT_FIELDS = [
  'startedAt',
  'unitId',
  'stepId',
  'stepLike',
  'commission',
  'unit',
  'part',
  'technique',
  'size',
  'coverage',
  'models',
  'weight',
  'effort',
  'minutes',
  'open',
  'verdict',
  'correctedMinutes',
] as const satisfies readonly (keyof JudgedRow)[];
export type FitRow = Pick<JudgedRow, (typeof FIT_FIELDS)[number]>;

/** Reads rows for the fit; `now` gives their ages. Rows left out and rows whose minutes nobody knows count as practice only. */
export function prepareLog(rows: readonly FitRow[], now: Date): PreparedLog {
  const index = new StepIndex();
  const modelsOfTechnique = new Map<string, number>();
  const stretchesOfTechnique = new Map<string, number>();
  const observations: (Observation & { place: StepPlace })[] = [];
  for (const at of inTime(rows)) {
    const row = rows[at]!;
    const startedAt = Date.parse(row.startedAt);
    const place = index.placeOf(row, startedAt);
    const logged = index.steps[place.step]!;
    const done = place.models;
    place.models += row.models;
    logged.models += row.models;
    logged.lastAt = Math.max(logged.lastAt, startedAt);
    const minutes = minutesThatCount(row);
    if (row.verdict === 'left out' || minutes === null) continue;
    logged.counted += row.models;
    logged.stretches++;
    modelsOfTechnique.set(row.technique, (modelsOfTechnique.get(row.technique) ?? 0) + row.models);
    stretchesOfTechnique.set(row.technique, (stretchesOfTechnique.get(row.technique) ?? 0) + 1);
    observations.push({
      index: at,
      place,
      step: place.step,
      copy: -1,
      logRatio: Math.log(minutes / row.weight / normMinutes(row.technique, row.size, row.coverage)),
      done,
      models: row.models,
      practised: place.practised,
      pace: paceAt(Math.max(0, now.getTime() - startedAt) / DAY_MS / DAYS_A_MONTH),
      leaders: Math.log(row.weight / row.effort / row.models),
      trusted: row.verdict === 'counts' || row.correctedMinutes !== null,
    });
  }
  const copies = index.numberCopies();
  return {
    observations: observations.map(({ place, ...observation }) => ({ ...observation, copy: place.copy })),
    steps: index.steps,
    stepIndex: new Map([...index.places].map(([key, { step }]) => [key, step])),
    stepNames: index.names,
    origins: index.origins,
    places: index.places,
    copies,
    unitIndex: index.units,
    modelsOfTechnique,
    stretchesOfTechnique,
  };
}

/** Numbers steps and units as their rows come; a copy joins the step it is like, and its unit that of the step. */
class StepIndex {
  readonly steps: LoggedStep[] = [];
  readonly names: string[] = [];
  readonly places = new Map<string, StepPlace>();
  readonly origins = new Map<string, number>();
  readonly units = new Map<string, number>();
  /** Steps that rows of copies have named, whether rows of the step itself have come or not. */
  private readonly named = new Set<string>();
  private unitCount = 0;

  placeOf(row: FitRow, startedAt: number): StepPlace {
    const key = stepKey(row);
    const known = this.places.get(key);
    if (known) return known;
    const like = likeKey(row);
    const own = row.stepId === null ? null : originKey(row.stepId, row.technique);
    if (like !== null) this.named.add(like);
    // Ids of steps may be used twice in a log that a file brought: only what a copy names leads to a step elsewhere.
    const joined = like !== null ? this.origins.get(like) : own !== null && this.named.has(own) ? this.origins.get(own) : undefined;
    const step = joined ?? this.add(row, key, like ?? own);
    const unit = unitKey(row);
    if (!this.units.has(unit)) this.units.set(unit, this.steps[step]!.unit);
    const practised = joined === undefined ? 0 : practiceAt(this.steps[step]!, startedAt);
    const place: StepPlace = { step, copy: -1, models: 0, practised };
    this.places.set(key, place);
    return place;
  }

  private add(row: FitRow, key: string, origin: string | null): number {
    const step = this.steps.length;
    const unit = unitKey(row);
    this.steps.push({
      unit: this.units.get(unit) ?? this.unitCount++,
      fixed: [techniqueAt(row.technique), sizeAt(row.size)],
      slopes: [SLOPE_OF_ALL, slopeAt(row.technique)],
      models: 0,
      lastAt: -Infinity,
      logArea: logAreaOf(row),
      counted: 0,
      stretches: 0,
    });
    this.names.push(key);
    if (origin !== null && !this.origins.has(origin)) this.origins.set(origin, step);
    return step;
  }

  /** Answers with the step of each copy of steps that are painted in several places. */
  numberCopies(): number[] {
    const counts = new Int32Array(this.steps.length);
    for (const { step } of this.places.values()) counts[step]!++;
    const copies: number[] = [];
    for (const place of this.places.values()) if (counts[place.step]! > 1) place.copy = copies.push(place.step) - 1;
    return copies;
  }
}

/** Places of the rows by when they were started; rows of one moment by what they say. */
function inTime(rows: readonly FitRow[]): number[] {
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
