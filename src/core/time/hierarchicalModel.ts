import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { JudgedRow, StepEstimate, StepKind, TimeModel, WorkItem } from './definitions';
import { explainEstimate } from './explainEstimate';
import { normMinutes } from './norms';

/**
 * Log minutes per model, relative to the norm, as a painter's pace + technique + size + unit + this very step + noise,
 * all normal with the spreads below; the noise is Student-t, so that one interrupted stretch cannot pull the rest
 * (Gelman et al., Bayesian Data Analysis, 3rd ed., ch. 5 and 17). The spreads are ours, chosen so that an unlogged
 * step's P10..P90 spans about a factor of three; the full model will learn them.
 */
const SPREAD = { pace: 0.35, technique: 0.25, size: 0.15, unit: 0.15, step: 0.25 } as const;
/** Noise of a stretch as a whole, and of each model in it. */
const ROW_NOISE = 0.15;
const MODEL_NOISE = 0.35;
/** A pace months old says less: variance added for each 30 days of age. */
const DRIFT_VARIANCE_PER_MONTH = 0.01;
const STUDENT_DEGREES = 4;
/** Reweighting rounds of the Student-t noise; the weights settle to three figures well before. */
const ROUNDS = 8;
/** A stretch looks interrupted when it took this many times the expected minutes and stands out of the noise. */
const INTERRUPTED_RATIO = 2;
const INTERRUPTED_SIGMAS = 2.5;
/** Standard normal quantiles of P80 and P90. */
const Z80 = 0.8416212335729143;
const Z90 = 1.2815515655446004;
const DAY_MS = 86_400_000;

const noiseVariance = (models: number) => ROW_NOISE ** 2 + MODEL_NOISE ** 2 / models;
const stepKey = (kind: StepKind) => [kind.commission, kind.unit, kind.part, kind.technique, kind.size].join('\u0001');
const effectKeys = (kind: StepKind) => [
  'pace',
  `technique ${kind.technique}`,
  `size ${kind.size}`,
  `unit ${kind.commission}\u0001${kind.unit}`,
];
const priorVariance = (key: string) => SPREAD[key.split(' ')[0] as keyof typeof SPREAD] ** 2;

/** One log row ready for the fit. */
interface Observation {
  index: number;
  step: number;
  logRatio: number;
  variance: number;
  weight: number;
  trusted: boolean;
}

interface StepData {
  effects: number[];
  precision: number;
  weightedSum: number;
  models: number;
}

/** Log ratio of a step, with what is left of the shared effects in it after its own rows have spoken. */
interface StepPosterior {
  mean: number;
  /** Share of the shared effects that remains: 1 when nothing is logged here. */
  shared: number;
  ownVariance: number;
}

/**
 * Fits the log in one go (time proportional to its rows, plus the cube of the few dozen shared effects).
 * `now` ages the rows; rows left out by the painter are not used.
 */
export function fitTimeModel(rows: readonly JudgedRow[], now: Date): TimeModel {
  return new HierarchicalModel(rows, now);
}

class HierarchicalModel implements TimeModel {
  readonly interrupted: boolean[];
  private readonly effects = new Map<string, number>();
  private readonly steps = new Map<string, number>();
  private readonly stepData: StepData[] = [];
  private readonly modelsOfTechnique = new Map<string, number>();
  private mean = Matrix.zeros(0, 0);
  private covariance = Matrix.zeros(0, 0);

  constructor(rows: readonly JudgedRow[], now: Date) {
    const observations = rows.flatMap((row, index) => (row.verdict === 'left out' ? [] : [this.observe(row, index, now)]));
    for (let round = 0; round < ROUNDS; round++) {
      this.solve(observations);
      for (const observation of observations) this.reweight(observation);
    }
    this.interrupted = rows.map(() => false);
    for (const observation of observations) {
      if (!observation.trusted && this.standsOut(observation)) this.interrupted[observation.index] = true;
    }
  }

  estimate(kind: StepKind, models = 1): StepEstimate {
    const norm = normMinutes(kind.technique, kind.size, kind.coverage);
    const { mean, shared, ownVariance } = this.stepPosterior(kind);
    const spread = Math.sqrt(shared ** 2 * this.sharedVariance(kind) + ownVariance + noiseVariance(models));
    const at = (z: number) => norm * Math.exp(mean + z * spread);
    const evidence = {
      normMinutes: norm,
      modelsHere: this.dataOf(kind)?.models ?? 0,
      modelsOfTechnique: this.modelsOfTechnique.get(kind.technique) ?? 0,
    };
    return { p10: at(-Z90), p50: at(0), p80: at(Z80), p90: at(Z90), ...evidence, why: explainEstimate(at(0), evidence) };
  }

  simulate(groups: readonly (readonly WorkItem[])[], draws: number, seed: number): Float64Array[] {
    const normal = createNormal(seed);
    const kinds = new Map(groups.flat().map((item) => [stepKey(item.kind), item.kind]));
    const drawSteps = this.stepSampler([...kinds.values()], normal);
    const prepared = groups.map((items) => items.map((item) => prepareItem(item)));
    const totals = groups.map(() => new Float64Array(draws));
    for (let draw = 0; draw < draws; draw++) {
      const logRatios = drawSteps();
      prepared.forEach((items, group) => {
        for (const { key, minutes, noise } of items) totals[group]![draw]! += minutes * Math.exp(logRatios.get(key)! + noise * normal());
      });
    }
    return totals;
  }

  /** Draws the log ratio of every kind of step, with what they share. */
  private stepSampler(kinds: readonly StepKind[], normal: () => number): () => Map<string, number> {
    const drawShared = this.sharedSampler([...new Set(kinds.flatMap(effectKeys))], normal);
    const steps = kinds.map((kind) => ({ key: stepKey(kind), effects: effectKeys(kind), ...this.stepPosterior(kind) }));
    return () => {
      const deviation = drawShared();
      return new Map(
        steps.map(({ key, effects, mean, shared, ownVariance }) => {
          const common = effects.reduce((sum, effect) => sum + deviation.get(effect)!, 0);
          return [key, mean + shared * common + Math.sqrt(ownVariance) * normal()];
        }),
      );
    };
  }

  private observe(row: JudgedRow, index: number, now: Date): Observation {
    const key = stepKey(row);
    let step = this.steps.get(key);
    if (step === undefined) {
      step = this.stepData.length;
      this.steps.set(key, step);
      this.stepData.push({ effects: effectKeys(row).map((effect) => this.effectIndex(effect)), precision: 0, weightedSum: 0, models: 0 });
    }
    this.stepData[step]!.models += row.models;
    this.modelsOfTechnique.set(row.technique, (this.modelsOfTechnique.get(row.technique) ?? 0) + row.models);
    const months = Math.max(0, now.getTime() - Date.parse(row.startedAt)) / DAY_MS / 30;
    const norm = normMinutes(row.technique, row.size, row.coverage);
    return {
      index,
      step,
      logRatio: Math.log(row.minutes / row.models / norm),
      variance: noiseVariance(row.models) + DRIFT_VARIANCE_PER_MONTH * months,
      weight: 1,
      trusted: row.verdict === 'counts',
    };
  }

  private effectIndex(key: string): number {
    const known = this.effects.get(key);
    if (known !== undefined) return known;
    this.effects.set(key, this.effects.size);
    return this.effects.size - 1;
  }

  /** Posterior of the shared effects, each step's own effect integrated out. */
  private solve(observations: readonly Observation[]): void {
    for (const data of this.stepData) data.precision = data.weightedSum = 0;
    for (const { step, logRatio, variance, weight } of observations) {
      this.stepData[step]!.precision += weight / variance;
      this.stepData[step]!.weightedSum += (weight / variance) * logRatio;
    }
    const size = this.effects.size;
    if (size === 0) return;
    const precision = Matrix.diag([...this.effects.keys()].map((key) => 1 / priorVariance(key)));
    const right = Matrix.zeros(size, 1);
    for (const data of this.stepData) {
      if (data.precision === 0) continue;
      const weight = 1 / (1 / data.precision + SPREAD.step ** 2);
      const stepMean = data.weightedSum / data.precision;
      for (const i of data.effects) {
        right.set(i, 0, right.get(i, 0) + weight * stepMean);
        for (const j of data.effects) precision.set(i, j, precision.get(i, j) + weight);
      }
    }
    const cholesky = new CholeskyDecomposition(precision);
    this.mean = cholesky.solve(right);
    this.covariance = cholesky.solve(Matrix.eye(size, size));
  }

  private expected(observation: Observation): number {
    const data = this.stepData[observation.step]!;
    const own = data.precision * SPREAD.step ** 2;
    const common = data.effects.reduce((sum, effect) => sum + this.mean.get(effect, 0), 0);
    return data.precision === 0 ? common : (common + own * (data.weightedSum / data.precision)) / (1 + own);
  }

  /** Expectation step of the Student-t noise; a row the painter vouches for keeps its full weight. */
  private reweight(observation: Observation): void {
    if (observation.trusted) return;
    const residual = observation.logRatio - this.expected(observation);
    observation.weight = (STUDENT_DEGREES + 1) / (STUDENT_DEGREES + residual ** 2 / observation.variance);
  }

  private standsOut(observation: Observation): boolean {
    const residual = observation.logRatio - this.expected(observation);
    return residual > Math.log(INTERRUPTED_RATIO) && residual > INTERRUPTED_SIGMAS * Math.sqrt(observation.variance);
  }

  private dataOf(kind: StepKind): StepData | undefined {
    const step = this.steps.get(stepKey(kind));
    return step === undefined ? undefined : this.stepData[step];
  }

  private stepPosterior(kind: StepKind): StepPosterior {
    const common = effectKeys(kind).reduce((sum, key) => sum + this.effectMean(key), 0);
    const data = this.dataOf(kind);
    if (!data || data.precision === 0) return { mean: common, shared: 1, ownVariance: SPREAD.step ** 2 };
    const ownVariance = 1 / (data.precision + 1 / SPREAD.step ** 2);
    const share = data.precision * ownVariance;
    return { mean: (1 - share) * common + share * (data.weightedSum / data.precision), shared: 1 - share, ownVariance };
  }

  private effectMean(key: string): number {
    const index = this.effects.get(key);
    return index === undefined ? 0 : this.mean.get(index, 0);
  }

  private effectCovariance(a: string, b: string): number {
    const i = this.effects.get(a);
    const j = this.effects.get(b);
    if (i === undefined || j === undefined) return a === b ? priorVariance(a) : 0;
    // One triangle only: the inverse is symmetric but for rounding, and the sampler insists on exact symmetry.
    return this.covariance.get(Math.max(i, j), Math.min(i, j));
  }

  private sharedVariance(kind: StepKind): number {
    const keys = effectKeys(kind);
    return keys.reduce((sum, a) => keys.reduce((inner, b) => inner + this.effectCovariance(a, b), sum), 0);
  }

  /** Draws deviations of the named shared effects from their means, with their covariances. */
  private sharedSampler(keys: string[], normal: () => number): () => Map<string, number> {
    if (keys.length === 0) return () => new Map();
    const covariance = new Matrix(keys.map((a) => keys.map((b) => this.effectCovariance(a, b))));
    const lower = new CholeskyDecomposition(covariance).lowerTriangularMatrix;
    return () => {
      const deviation = lower.mmul(Matrix.columnVector(keys.map(normal)));
      return new Map(keys.map((key, index) => [key, deviation.get(index, 0)]));
    };
  }
}

function prepareItem({ kind, models }: WorkItem) {
  return {
    key: stepKey(kind),
    minutes: models * normMinutes(kind.technique, kind.size, kind.coverage),
    noise: Math.sqrt(noiseVariance(Math.max(models, 1))),
  };
}

/** Standard normal numbers by the method of Box and Muller (1958). */
function createNormal(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator))) * Math.cos(2 * Math.PI * uniformFloat64(generator));
}
