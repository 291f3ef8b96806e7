import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { SIZES, TECHNIQUES, type Size, type Technique } from '../scheme/definitions';
import { minutesThatCount, type JudgedRow, type StepEstimate, type StepKind, type TimeModel, type WorkItem } from './definitions';
import { allAtOnce, type Steps } from '../steps';
import { keyedNormals } from './keyedNormals';
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

/** What all units share: the painter's pace, each technique, each size. Always all of them, so that draws keep their order. */
const SHARED = ['pace', ...TECHNIQUES.map((technique) => `technique ${technique}`), ...SIZES.map((size) => `size ${size}`)] as const;
const PACE = 0;
const TECHNIQUE_AT = new Map<Technique, number>(TECHNIQUES.map((technique, index) => [technique, 1 + index]));
const SIZE_AT = new Map<Size, number>(SIZES.map((size, index) => [size, 1 + TECHNIQUES.length + index]));
const sharedVariances = SHARED.map((key) => SPREAD[key.split(' ')[0] as 'pace' | 'technique' | 'size'] ** 2);

const sharedOf = ({ technique, size }: Pick<StepKind, 'technique' | 'size'>) => [PACE, TECHNIQUE_AT.get(technique)!, SIZE_AT.get(size)!];
/** A name with a separator cannot be an id. */
const named = (...names: string[]) => names.join('\u0001');
const unitKey = (kind: StepKind) => kind.unitId ?? named(kind.commission, kind.unit);
const stepKey = (kind: StepKind) =>
  kind.stepId === null
    ? named(kind.commission, kind.unit, kind.part, kind.technique, kind.size)
    : named(unitKey(kind), kind.stepId, kind.technique);

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
  shared: number[];
  unit: number;
  precision: number;
  weightedSum: number;
  models: number;
}

/** A unit's own effect, eliminated from the normal equations: it touches its own steps only. */
interface UnitData {
  /** 1 / prior variance + weights of its steps. */
  precision: number;
  right: number;
  /** Mean of its effect, given those of the shared ones. */
  mean: number;
  /** Weights of its steps by shared effect; `effects` are those that are not zero. */
  coupling: Float64Array;
  effects: number[];
}

/** Log ratio of a step, with what is left of the common effects in it after its own rows have spoken. */
interface StepPosterior {
  mean: number;
  /** Share of the common effects that remains: 1 when nothing is logged here. */
  common: number;
  ownVariance: number;
}

/**
 * Fits the log in one go: time proportional to its rows and units, as units and steps are integrated out in closed form.
 * `now` ages the rows; rows left out by the painter, and rows whose minutes nobody knows, are not used.
 */
export const fitTimeModel = (rows: readonly JudgedRow[], now: Date): TimeModel => allAtOnce(fitTimeModelInSteps(rows, now));

/** The same, some rows and one round at a time. */
export function* fitTimeModelInSteps(rows: readonly JudgedRow[], now: Date): Steps<TimeModel> {
  const model = new HierarchicalModel();
  yield* model.fit(rows, now);
  return model;
}

const ROWS_IN_A_STEP = 2000;

class HierarchicalModel implements TimeModel {
  interrupted: boolean[] = [];
  private readonly steps = new Map<string, number>();
  private readonly stepData: StepData[] = [];
  private readonly units = new Map<string, number>();
  private readonly unitData: UnitData[] = [];
  private readonly modelsOfTechnique = new Map<Technique, number>();
  private mean = new Float64Array(SHARED.length);
  private covariance = Matrix.diag([...sharedVariances]);

  *fit(rows: readonly JudgedRow[], now: Date): Steps<void> {
    const observations: Observation[] = [];
    for (const [index, row] of rows.entries()) {
      const minutes = minutesThatCount(row);
      if (row.verdict !== 'left out' && minutes !== null) observations.push(this.observe(row, minutes, index, now));
      if (index % ROWS_IN_A_STEP === 0) yield;
    }
    for (let round = 0; round < ROUNDS && observations.length > 0; round++) {
      this.solve(observations);
      yield;
      for (const observation of observations) this.reweight(observation);
    }
    yield;
    this.interrupted = rows.map(() => false);
    for (const observation of observations) {
      if (!observation.trusted && this.standsOut(observation)) this.interrupted[observation.index] = true;
    }
  }

  estimate(kind: StepKind, models = 1): StepEstimate {
    const norm = normMinutes(kind.technique, kind.size, kind.coverage);
    const { mean, common, ownVariance } = this.stepPosterior(kind);
    const spread = Math.sqrt(common ** 2 * this.commonVariance(kind) + ownVariance + noiseVariance(models));
    const at = (z: number) => norm * Math.exp(mean + z * spread);
    const evidence = {
      normMinutes: norm,
      modelsHere: this.dataOf(kind)?.models ?? 0,
      modelsOfTechnique: this.modelsOfTechnique.get(kind.technique) ?? 0,
    };
    return { p10: at(-Z90), p50: at(0), p80: at(Z80), p90: at(Z90), ...evidence, why: explainEstimate(at(0), evidence) };
  }

  *simulate(groups: readonly (readonly WorkItem[])[], draws: number, seed: number): Steps<Float64Array[]> {
    const shared = this.drawShared(draws, seed);
    const logRatios = new Map<string, Float64Array>();
    const simulated: Float64Array[] = [];
    for (const items of groups) {
      const totals = new Float64Array(draws);
      for (const { kind, models } of items) {
        const key = stepKey(kind);
        const logRatio = logRatios.get(key) ?? this.drawStep(kind, key, shared, draws, seed);
        logRatios.set(key, logRatio);
        const noise = keyedNormals(`noise ${key}`, draws, seed);
        const spread = Math.sqrt(noiseVariance(Math.max(models, 1)));
        const minutes = models * normMinutes(kind.technique, kind.size, kind.coverage);
        for (let draw = 0; draw < draws; draw++) totals[draw]! += minutes * Math.exp(logRatio[draw]! + spread * noise[draw]!);
      }
      simulated.push(totals);
      yield;
    }
    return simulated;
  }

  /** Deviations of the shared effects from their means in each draw, with their covariances. */
  private drawShared(draws: number, seed: number): Float64Array[] {
    const lower = new CholeskyDecomposition(this.covariance).lowerTriangularMatrix.to2DArray();
    const normals = SHARED.map((key) => keyedNormals(key, draws, seed));
    return SHARED.map((_key, row) => {
      const deviation = new Float64Array(draws);
      for (let column = 0; column <= row; column++) {
        const factor = lower[row]![column]!;
        if (factor !== 0) for (let draw = 0; draw < draws; draw++) deviation[draw]! += factor * normals[column]![draw]!;
      }
      return deviation;
    });
  }

  private drawStep(kind: StepKind, key: string, shared: readonly Float64Array[], draws: number, seed: number): Float64Array {
    const { mean, common, ownVariance } = this.stepPosterior(kind);
    const unit = this.unitOf(kind);
    const unitNormals = keyedNormals(`unit ${unitKey(kind)}`, draws, seed);
    const own = keyedNormals(`step ${key}`, draws, seed);
    const ownSpread = Math.sqrt(ownVariance);
    const effects = sharedOf(kind);
    return Float64Array.from({ length: draws }, (_, draw) => {
      let deviation = effects.reduce((sum, effect) => sum + shared[effect]![draw]!, 0);
      deviation += unitNormals[draw]! / Math.sqrt(unit?.precision ?? 1 / SPREAD.unit ** 2);
      if (unit) for (const effect of unit.effects) deviation -= (unit.coupling[effect]! * shared[effect]![draw]!) / unit.precision;
      return mean + common * deviation + ownSpread * own[draw]!;
    });
  }

  private observe(row: JudgedRow, minutes: number, index: number, now: Date): Observation {
    const step = indexOf(this.steps, stepKey(row), () => {
      const unit = indexOf(this.units, unitKey(row), () =>
        this.unitData.push({ precision: 1 / SPREAD.unit ** 2, right: 0, mean: 0, coupling: new Float64Array(SHARED.length), effects: [] }),
      );
      const { effects } = this.unitData[unit]!;
      for (const effect of sharedOf(row)) if (!effects.includes(effect)) effects.push(effect);
      this.stepData.push({ shared: sharedOf(row), unit, precision: 0, weightedSum: 0, models: 0 });
    });
    this.stepData[step]!.models += row.models;
    this.modelsOfTechnique.set(row.technique, (this.modelsOfTechnique.get(row.technique) ?? 0) + row.models);
    const months = Math.max(0, now.getTime() - Date.parse(row.startedAt)) / DAY_MS / 30;
    const norm = normMinutes(row.technique, row.size, row.coverage);
    return {
      index,
      step,
      logRatio: Math.log(minutes / row.weight / norm),
      variance: noiseVariance(row.models) + DRIFT_VARIANCE_PER_MONTH * months,
      weight: 1,
      trusted: row.verdict === 'counts' || row.correctedMinutes !== null,
    };
  }

  /** Posterior of the shared effects; each step's own effect and each unit's are integrated out. */
  private solve(observations: readonly Observation[]): void {
    for (const data of this.stepData) data.precision = data.weightedSum = 0;
    for (const unit of this.unitData) {
      unit.precision = 1 / SPREAD.unit ** 2;
      unit.right = 0;
      unit.coupling.fill(0);
    }
    for (const { step, logRatio, variance, weight } of observations) {
      this.stepData[step]!.precision += weight / variance;
      this.stepData[step]!.weightedSum += (weight / variance) * logRatio;
    }
    const size = SHARED.length;
    const precision = new Float64Array(size * size);
    for (let i = 0; i < size; i++) precision[i * size + i] = 1 / sharedVariances[i]!;
    const right = new Float64Array(size);
    for (const data of this.stepData) {
      const weight = 1 / (1 / data.precision + SPREAD.step ** 2);
      const pull = (weight * data.weightedSum) / data.precision;
      const unit = this.unitData[data.unit]!;
      unit.precision += weight;
      unit.right += pull;
      for (const i of data.shared) {
        right[i]! += pull;
        unit.coupling[i]! += weight;
        for (const j of data.shared) precision[i * size + j]! += weight;
      }
    }
    for (const unit of this.unitData) {
      for (const i of unit.effects) {
        right[i]! -= (unit.coupling[i]! * unit.right) / unit.precision;
        // In this order the rounding is the same on both sides of the diagonal.
        for (const j of unit.effects) precision[i * size + j]! -= (unit.coupling[i]! * unit.coupling[j]!) / unit.precision;
      }
    }
    const cholesky = new CholeskyDecomposition(Matrix.from1DArray(size, size, precision));
    this.mean = Float64Array.from(cholesky.solve(Matrix.columnVector(right)).to1DArray());
    for (const unit of this.unitData) {
      let own = unit.right;
      for (const effect of unit.effects) own -= unit.coupling[effect]! * this.mean[effect]!;
      unit.mean = own / unit.precision;
    }
    const inverse = cholesky.solve(Matrix.eye(size, size));
    // The inverse is symmetric but for rounding, and the decomposition of the draws insists on exact symmetry.
    this.covariance = Matrix.add(inverse, inverse.transpose()).div(2);
  }

  private expected(observation: Observation): number {
    const data = this.stepData[observation.step]!;
    const own = data.precision * SPREAD.step ** 2;
    const common = this.commonMean(data.shared, this.unitData[data.unit]);
    return (common + own * (data.weightedSum / data.precision)) / (1 + own);
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

  private unitOf(kind: StepKind): UnitData | undefined {
    const unit = this.units.get(unitKey(kind));
    return unit === undefined ? undefined : this.unitData[unit];
  }

  private stepPosterior(kind: StepKind): StepPosterior {
    const commonMean = this.commonMean(sharedOf(kind), this.unitOf(kind));
    const data = this.dataOf(kind);
    if (!data) return { mean: commonMean, common: 1, ownVariance: SPREAD.step ** 2 };
    const ownVariance = 1 / (data.precision + 1 / SPREAD.step ** 2);
    const share = data.precision * ownVariance;
    return { mean: (1 - share) * commonMean + share * (data.weightedSum / data.precision), common: 1 - share, ownVariance };
  }

  private commonMean(shared: readonly number[], unit: UnitData | undefined): number {
    let sum = unit?.mean ?? 0;
    for (const effect of shared) sum += this.mean[effect]!;
    return sum;
  }

  /** Variance of the shared effects of a kind and its unit's together. */
  private commonVariance(kind: StepKind): number {
    const unit = this.unitOf(kind);
    const loads = new Map(sharedOf(kind).map((effect) => [effect, 1]));
    if (unit) for (const effect of unit.effects) loads.set(effect, (loads.get(effect) ?? 0) - unit.coupling[effect]! / unit.precision);
    let variance = unit ? 1 / unit.precision : SPREAD.unit ** 2;
    for (const [i, a] of loads) for (const [j, b] of loads) variance += a * b * this.covariance.get(i, j);
    return variance;
  }
}

function indexOf(indexes: Map<string, number>, key: string, add: () => void): number {
  const known = indexes.get(key);
  if (known !== undefined) return known;
  add();
  const index = indexes.size;
  indexes.set(key, index);
  return index;
}
