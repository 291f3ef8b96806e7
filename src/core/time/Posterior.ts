import type { Steps } from '../steps';
import { ESTIMATE_FACTORS } from './definitions';
import type { Explanation, JudgedRow, Oddity, StepCurve, StepEstimate, StepKind, StretchAhead, TimeModel, WorkItem } from './definitions';
import { EFFECT_KEYS, EFFECTS, LEADERS, SLOPE_OF_ALL, sizeAt, slopeAt, techniqueAt } from './effects';
import { explainEstimate } from './explainEstimate';
import type { Fit } from './Fit';
import { keyedNormals } from './keyedNormals';
import { logShare, savedPerDoubling, slopeWithin } from './learningCurve';
import { LOOSE_VARIANCE, noiseParts } from './noise';
import { mixtureQuantile, Z90 } from './normal';
import { normMinutes } from './norms';
import { stepKey, unitKey } from './observations';
import { noiseVariance } from './spreads';

const PACE_NOW = 0;
const ONE_MODEL: StretchAhead = { done: 4, models: 1, weight: 1 };
/** An odd row is called interrupted when it took at least this many times what was expected, too short below the other. */
const INTERRUPTED_RATIO = 1.6;
const TOO_SHORT_RATIO = 0.5;
const ODD_CHANCE = 0.5;
/** Weights are rounded: so little more than one a model is no leader. */
const LEAST_LEADERS = 1e-3;
/** What so many more stretches would change, if each took so much longer than expected. */
const NEXT_STRETCHES = 20;
const SLOWER = 0.2;

/** Everything about a step that its estimates need. */
interface StepView {
  /** Log of minutes over the norm in the middle of a batch, likely. */
  level: number;
  slope: number;
  step: number | undefined;
  unit: number | undefined;
  /** Shared effects: those that count once, then those of the slope. */
  fixed: number[];
  slopes: number[];
}

/** The joint posterior of a fit, asked about steps that are logged and steps that are not. */
export class Posterior implements TimeModel {
  odd: (Oddity | null)[] = [];
  private readonly views = new Map<string, StepView>();
  private lower: Float64Array | null = null;

  constructor(
    private readonly fit: Fit,
    private readonly rows: readonly JudgedRow[],
  ) {}

  /** Starts the fit where one before ended. Rows are known by being the same objects. */
  startFrom({ fit, rows }: Posterior): void {
    const known = new Map(fit.log.observations.map(({ index }, row) => [rows[index]!, row]));
    for (const [row, { index }] of this.fit.log.observations.entries()) {
      const before = known.get(this.rows[index]!);
      if (before === undefined) continue;
      this.fit.precision[row] = fit.precision[before]!;
    }
    for (const [key, step] of this.fit.log.stepIndex) {
      const before = fit.log.stepIndex.get(key);
      if (before !== undefined) this.fit.slopes[step] = fit.slopes[before]!;
    }
  }

  /** Reads what the fit has come to. */
  read(): void {
    this.odd = this.rows.map(() => null);
    for (const [at, { index, trusted }] of this.fit.log.observations.entries()) {
      if (trusted || this.fit.ordinary[at]! + this.fit.loose[at]! > ODD_CHANCE) continue;
      const ratio = Math.exp(this.fit.residual(at));
      if (ratio >= INTERRUPTED_RATIO) this.odd[index] = 'interrupted';
      else if (ratio <= TOO_SHORT_RATIO) this.odd[index] = 'too short';
    }
  }

  get leaders(): TimeModel['leaders'] {
    const stretches = this.fit.log.observations.filter(({ leaders }) => Math.abs(leaders) > LEAST_LEADERS).length;
    return { power: this.fit.equations.mean[LEADERS]!, stretches };
  }

  get slopeOfAll(): number {
    return this.fit.equations.mean[SLOPE_OF_ALL]!;
  }

  modelsDone(kind: StepKind): number {
    const { step } = this.viewOf(kind);
    return step === undefined ? 0 : this.fit.log.steps[step]!.models;
  }

  curve(kind: StepKind): StepCurve {
    const { level, slope } = this.viewOf(kind);
    return {
      level: normMinutes(kind.technique, kind.size, kind.coverage) * Math.exp(level),
      slope: slopeWithin(slope),
      leaders: this.fit.equations.mean[LEADERS]!,
    };
  }

  estimate(kind: StepKind, stretch: StretchAhead = ONE_MODEL, orOdd = false): StepEstimate {
    const norm = normMinutes(kind.technique, kind.size, kind.coverage);
    const view = this.viewOf(kind);
    const share = logShare(stretch.done, stretch.models, view.slope);
    const leaders = Math.log(stretch.weight / stretch.models);
    const mean = view.level + share.value + leaders * this.fit.equations.mean[LEADERS]!;
    const variance = this.varianceOf(view, leaders, share.bySlope);
    const parts = noiseParts(this.fit.spreads, stretch.models)
      .filter(({ isOdd }) => orOdd || !isOdd)
      .map((part) => ({ share: part.share, mean: mean + part.shift, variance: variance + part.variance }));
    const at = (quantile: number) => norm * Math.exp(mixtureQuantile(parts, quantile));
    // Half of a mixture without odd parts lies below its middle.
    const p50 = orOdd ? at(0.5) : norm * Math.exp(mean);
    const evidence = {
      normMinutes: norm,
      modelsHere: view.step === undefined ? 0 : this.fit.log.steps[view.step]!.counted,
      modelsOfTechnique: this.fit.log.modelsOfTechnique.get(kind.technique) ?? 0,
    };
    return {
      p10: at(0.1),
      p50,
      p80: at(0.8),
      p90: at(0.9),
      ...evidence,
      why: explainEstimate(p50, { ...evidence, isLogged: this.fit.log.observations.length > 0 }),
    };
  }

  explain(kind: StepKind, stretch: StretchAhead): Explanation {
    const { equations, spreads, log } = this.fit;
    const view = this.viewOf(kind);
    const [pace, technique, size] = view.fixed as [number, number, number];
    const share = logShare(stretch.done, stretch.models, view.slope);
    const leaders = Math.log(stretch.weight / stretch.models);
    const logs = {
      pace: equations.mean[pace]!,
      technique: equations.mean[technique]!,
      size: equations.mean[size]!,
      unit: view.unit === undefined ? 0 : equations.unitMeans[view.unit]!,
      step: view.step === undefined ? 0 : equations.ownMeans[2 * view.step]!,
      repetition: share.value,
      leaders: leaders * equations.mean[LEADERS]!,
    };
    const { p10, p50, p90, normMinutes: norm } = this.estimate(kind, stretch);
    const variance = this.varianceOf(view, leaders, share.bySlope);
    const noise = noiseVariance(spreads, stretch.models);
    const after = 1 / (1 / variance + NEXT_STRETCHES / noise);
    const at = (z: number) => p50 * Math.exp(z * Math.sqrt(after + noise));
    const step = view.step === undefined ? undefined : log.steps[view.step]!;
    return {
      norm,
      factors: ESTIMATE_FACTORS.map((of) => ({ of, factor: Math.exp(logs[of]) })),
      p10,
      p50,
      p90,
      saved: savedPerDoubling(view.slope),
      stretches: {
        step: step?.stretches ?? 0,
        technique: log.stretchesOfTechnique.get(kind.technique) ?? 0,
        all: log.observations.length,
      },
      next: {
        stretches: NEXT_STRETCHES,
        p10: at(-Z90),
        p90: at(Z90),
        slower: SLOWER,
        ifSlower: p50 * Math.exp((1 - after / variance) * Math.log(1 + SLOWER)),
      },
    };
  }

  *simulate(groups: readonly (readonly WorkItem[])[], draws: number, seed: number): Steps<Float64Array[]> {
    const shared = this.drawShared(draws, seed);
    const ofSteps = new Map<string, StepDraws>();
    const simulated: Float64Array[] = [];
    for (const items of groups) {
      const totals = new Float64Array(draws);
      for (const { kind, done, models, weight, effort } of items) {
        const key = stepKey(kind);
        let step = ofSteps.get(key);
        if (!step) ofSteps.set(key, (step = this.drawStep(kind, key, shared, draws, seed)));
        const view = this.viewOf(kind);
        const { value, bySlope } = logShare(done, models, view.slope);
        const leaders = Math.log(weight / models);
        const noise = keyedNormals(`noise ${key} ${done}`, draws, seed);
        const { loose } = this.fit.spreads;
        const spread = Math.sqrt(noiseVariance(this.fit.spreads, models) * (1 - loose + loose * LOOSE_VARIANCE));
        const minutes = effort * weight * normMinutes(kind.technique, kind.size, kind.coverage) * Math.exp(value);
        const leaderMean = this.fit.equations.mean[LEADERS]!;
        for (let draw = 0; draw < draws; draw++) {
          const level = step.level[draw]! + bySlope * step.slope[draw]! + leaders * (leaderMean + shared[LEADERS]![draw]!);
          totals[draw]! += minutes * Math.exp(level + spread * noise[draw]!);
        }
      }
      simulated.push(totals);
      yield;
    }
    return simulated;
  }

  /** Deviations of the shared effects from their means in each draw, with their covariances. */
  private drawShared(draws: number, seed: number): Float64Array[] {
    const lower = (this.lower ??= this.fit.equations.lowerTriangle());
    const normals = EFFECT_KEYS.map((key) => keyedNormals(key, draws, seed));
    return EFFECT_KEYS.map((_key, row) => {
      const deviation = new Float64Array(draws);
      for (let column = 0; column <= row; column++) {
        const factor = lower[row * EFFECTS + column]!;
        if (factor !== 0) for (let draw = 0; draw < draws; draw++) deviation[draw]! += factor * normals[column]![draw]!;
      }
      return deviation;
    });
  }

  /** Level of a step in each draw, and how its slope deviates from its mean. */
  private drawStep(kind: StepKind, key: string, shared: readonly Float64Array[], draws: number, seed: number): StepDraws {
    const view = this.viewOf(kind);
    const { equations, spreads } = this.fit;
    const unitNormals = keyedNormals(`unit ${unitKey(kind)}`, draws, seed);
    const unit = new Float64Array(draws);
    const ofUnit = view.unit === undefined ? null : equations.unit(view.unit);
    const unitSpread = ofUnit ? 1 / Math.sqrt(ofUnit.precision) : spreads.unit;
    for (let draw = 0; draw < draws; draw++) {
      let own = unitSpread * unitNormals[draw]!;
      if (ofUnit) for (const [index, effect] of ofUnit.keys.entries()) own -= ofUnit.follows[index]! * shared[effect]![draw]!;
      unit[draw] = own;
    }
    const ofStep = view.step === undefined ? null : equations.step(view.step);
    const [aa, ab, bb] = (ofStep ? [...ofStep.own] : [spreads.step ** 2, 0, spreads.stepSlope ** 2]) as [number, number, number];
    const first = keyedNormals(`step ${key}`, draws, seed);
    const second = keyedNormals(`slope of ${key}`, draws, seed);
    const rest = Math.sqrt(Math.max(0, bb - ab ** 2 / aa));
    const level = new Float64Array(draws);
    const slope = new Float64Array(draws);
    for (let draw = 0; draw < draws; draw++) {
      let pace = Math.sqrt(aa) * first[draw]!;
      let steepness = (ab / Math.sqrt(aa)) * first[draw]! + rest * second[draw]!;
      if (ofStep) {
        const n = ofStep.keys.length + 1;
        for (let i = 0; i < n; i++) {
          const other = i === n - 1 ? unit[draw]! : shared[ofStep.keys[i]!]![draw]!;
          pace -= ofStep.follows[i]! * other;
          steepness -= ofStep.follows[n + i]! * other;
        }
      }
      for (const effect of view.fixed) pace += shared[effect]![draw]!;
      for (const effect of view.slopes) steepness += shared[effect]![draw]!;
      level[draw] = view.level + pace + unit[draw]!;
      slope[draw] = steepness;
    }
    return { level, slope };
  }

  private viewOf(kind: StepKind): StepView {
    const key = `${stepKey(kind)}\u0001${kind.technique}\u0001${kind.size}`;
    const known = this.views.get(key);
    if (known) return known;
    const { equations, log } = this.fit;
    const step = log.stepIndex.get(stepKey(kind));
    const unit = log.unitIndex.get(unitKey(kind));
    const fixed = [PACE_NOW, techniqueAt(kind.technique), sizeAt(kind.size)];
    const slopes = [SLOPE_OF_ALL, slopeAt(kind.technique)];
    const level = fixed.reduce((sum, effect) => sum + equations.mean[effect]!, unit === undefined ? 0 : equations.unitMeans[unit]!);
    const view: StepView = {
      level: level + (step === undefined ? 0 : equations.ownMeans[2 * step]!),
      slope:
        slopes.reduce((sum, effect) => sum + equations.mean[effect]!, 0) + (step === undefined ? 0 : equations.ownMeans[2 * step + 1]!),
      step,
      unit,
      fixed,
      slopes,
    };
    this.views.set(key, view);
    return view;
  }

  /** Variance of what is expected of a stretch on a step. */
  private varianceOf({ step, unit, fixed, slopes }: StepView, leaders: number, bySlope: number): number {
    const { equations, spreads } = this.fit;
    const loads = new Map<number, number>(fixed.map((effect) => [effect, 1]));
    if (leaders !== 0) loads.set(LEADERS, leaders);
    for (const effect of slopes) loads.set(effect, bySlope);
    let unitLoad = 1;
    let variance = spreads.step ** 2 + bySlope ** 2 * spreads.stepSlope ** 2;
    const take = (effect: number, load: number) => loads.set(effect, (loads.get(effect) ?? 0) + load);
    if (step !== undefined) {
      const { keys, own, follows } = equations.step(step);
      const n = keys.length + 1;
      variance = own[0]! + 2 * bySlope * own[1]! + bySlope ** 2 * own[2]!;
      for (const [index, effect] of keys.entries()) take(effect, -(follows[index]! + bySlope * follows[n + index]!));
      unitLoad -= follows[n - 1]! + bySlope * follows[2 * n - 1]!;
    }
    if (unit === undefined) variance += unitLoad ** 2 * spreads.unit ** 2;
    else {
      const { keys, precision, follows } = equations.unit(unit);
      variance += unitLoad ** 2 / precision;
      for (const [index, effect] of keys.entries()) take(effect, -unitLoad * follows[index]!);
    }
    for (const [i, a] of loads) for (const [j, b] of loads) variance += a * b * equations.covariance[i * EFFECTS + j]!;
    return variance;
  }
}

interface StepDraws {
  level: Float64Array;
  slope: Float64Array;
}
