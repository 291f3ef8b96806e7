import type { Steps } from '../steps';
import { cholesky } from './cholesky';
import { ESTIMATE_FACTORS } from './definitions';
import type { Explanation, StepCurve, StepEstimate, StepKind, StretchAhead, TimeModel, WorkItem } from './definitions';
import { EFFECT_KEYS, EFFECTS, LEADERS, SLOPE_OF_ALL, sizeAt, slopeAt, techniqueAt } from './effects';
import { explainEstimate } from './explainEstimate';
import type { Fitted } from './fitted';
import { keyedNormals } from './keyedNormals';
import { logShare, savedPerDoubling, slopeWithin } from './learningCurve';
import { LOOSE_VARIANCE, noiseParts } from './noise';
import { mixtureQuantile, Z90 } from './normal';
import { normMinutes } from './norms';
import { stepKey, unitKey } from './observations';
import { stepBlock, unitBlock } from './solved';
import { noiseVariance } from './spreads';

const PACE_NOW = 0;
const ONE_MODEL: StretchAhead = { done: 4, models: 1, weight: 1 };
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
  private readonly views = new Map<string, StepView>();
  private lower: Float64Array | null = null;

  constructor(private readonly fitted: Fitted) {}

  get leaders(): TimeModel['leaders'] {
    return { power: this.fitted.solved.mean[LEADERS]!, stretches: this.fitted.stretches.withLeaders };
  }

  get slopeOfAll(): number {
    return this.fitted.solved.mean[SLOPE_OF_ALL]!;
  }

  modelsDone(kind: StepKind): number {
    const { step } = this.viewOf(kind);
    return step === undefined ? 0 : this.fitted.models[step]!;
  }

  curve(kind: StepKind): StepCurve {
    const { level, slope } = this.viewOf(kind);
    return {
      level: normMinutes(kind.technique, kind.size, kind.coverage) * Math.exp(level),
      slope: slopeWithin(slope),
      leaders: this.fitted.solved.mean[LEADERS]!,
    };
  }

  estimate(kind: StepKind, stretch: StretchAhead = ONE_MODEL, orOdd = false): StepEstimate {
    const norm = normMinutes(kind.technique, kind.size, kind.coverage);
    const view = this.viewOf(kind);
    const share = logShare(stretch.done, stretch.models, view.slope);
    const leaders = Math.log(stretch.weight / stretch.models);
    const mean = view.level + share.value + leaders * this.fitted.solved.mean[LEADERS]!;
    const variance = this.varianceOf(view, leaders, share.bySlope);
    const parts = noiseParts(this.fitted.spreads, stretch.models)
      .filter(({ isOdd }) => orOdd || !isOdd)
      .map((part) => ({ share: part.share, mean: mean + part.shift, variance: variance + part.variance }));
    const at = (quantile: number) => norm * Math.exp(mixtureQuantile(parts, quantile));
    // Half of a mixture without odd parts lies below its middle.
    const p50 = orOdd ? at(0.5) : norm * Math.exp(mean);
    const evidence = {
      normMinutes: norm,
      modelsHere: view.step === undefined ? 0 : this.fitted.counted[view.step]!,
      modelsOfTechnique: this.fitted.modelsOfTechnique.get(kind.technique) ?? 0,
    };
    return {
      p10: at(0.1),
      p50,
      p80: at(0.8),
      p90: at(0.9),
      ...evidence,
      why: explainEstimate(p50, { ...evidence, isLogged: this.fitted.stretches.all > 0 }),
    };
  }

  explain(kind: StepKind, stretch: StretchAhead): Explanation {
    const { solved, spreads, stretches } = this.fitted;
    const view = this.viewOf(kind);
    const [pace, technique, size] = view.fixed as [number, number, number];
    const share = logShare(stretch.done, stretch.models, view.slope);
    const leaders = Math.log(stretch.weight / stretch.models);
    const logs = {
      pace: solved.mean[pace]!,
      technique: solved.mean[technique]!,
      size: solved.mean[size]!,
      unit: view.unit === undefined ? 0 : solved.unitMeans[view.unit]!,
      step: view.step === undefined ? 0 : solved.ownMeans[2 * view.step]!,
      repetition: share.value,
      leaders: leaders * solved.mean[LEADERS]!,
    };
    const { p10, p50, p90, normMinutes: norm } = this.estimate(kind, stretch);
    const variance = this.varianceOf(view, leaders, share.bySlope);
    const noise = noiseVariance(spreads, stretch.models);
    const after = 1 / (1 / variance + NEXT_STRETCHES / noise);
    const at = (z: number) => p50 * Math.exp(z * Math.sqrt(after + noise));
    return {
      norm,
      factors: ESTIMATE_FACTORS.map((of) => ({ of, factor: Math.exp(logs[of]) })),
      p10,
      p50,
      p90,
      saved: savedPerDoubling(view.slope),
      stretches: {
        step: view.step === undefined ? 0 : stretches.ofSteps[view.step]!,
        technique: stretches.ofTechniques.get(kind.technique) ?? 0,
        all: stretches.all,
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
        const { loose } = this.fitted.spreads;
        const spread = Math.sqrt(noiseVariance(this.fitted.spreads, models) * (1 - loose + loose * LOOSE_VARIANCE));
        const minutes = effort * weight * normMinutes(kind.technique, kind.size, kind.coverage) * Math.exp(value);
        const leaderMean = this.fitted.solved.mean[LEADERS]!;
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
    const lower = (this.lower ??= cholesky(this.fitted.solved.covariance, EFFECTS));
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
    const { solved, spreads } = this.fitted;
    const ofUnit = view.unit === undefined ? null : unitBlock(solved, view.unit);
    const unit = new Float64Array(draws);
    addTo(unit, ofUnit ? 1 / Math.sqrt(ofUnit.precision) : spreads.unit, keyedNormals(`unit ${unitKey(kind)}`, draws, seed));
    if (ofUnit) for (const [index, effect] of ofUnit.keys.entries()) addTo(unit, -ofUnit.follows[index]!, shared[effect]!);
    const ofStep = view.step === undefined ? null : stepBlock(solved, view.step);
    const [aa, ab, bb] = (ofStep ? [...ofStep.own] : [spreads.step ** 2, 0, spreads.stepSlope ** 2]) as [number, number, number];
    const first = keyedNormals(`step ${key}`, draws, seed);
    const second = keyedNormals(`slope of ${key}`, draws, seed);
    const level = new Float64Array(draws).fill(view.level);
    const slope = new Float64Array(draws);
    addTo(level, Math.sqrt(aa), first);
    addTo(slope, ab / Math.sqrt(aa), first);
    addTo(slope, Math.sqrt(Math.max(0, bb - ab ** 2 / aa)), second);
    addTo(level, 1, unit);
    for (const effect of view.fixed) addTo(level, 1, shared[effect]!);
    for (const effect of view.slopes) addTo(slope, 1, shared[effect]!);
    if (ofStep) {
      // The unit's own stands behind the shared effects that the step follows.
      const others = [...Array.from(ofStep.keys, (effect) => shared[effect]!), unit];
      for (const [index, other] of others.entries()) {
        addTo(level, -ofStep.follows[index]!, other);
        addTo(slope, -ofStep.follows[others.length + index]!, other);
      }
    }
    return { level, slope };
  }

  private viewOf(kind: StepKind): StepView {
    const key = `${stepKey(kind)}\u0001${kind.technique}\u0001${kind.size}`;
    const known = this.views.get(key);
    if (known) return known;
    const { solved, stepIndex, unitIndex } = this.fitted;
    const step = stepIndex.get(stepKey(kind));
    const unit = unitIndex.get(unitKey(kind));
    const fixed = [PACE_NOW, techniqueAt(kind.technique), sizeAt(kind.size)];
    const slopes = [SLOPE_OF_ALL, slopeAt(kind.technique)];
    const level = fixed.reduce((sum, effect) => sum + solved.mean[effect]!, unit === undefined ? 0 : solved.unitMeans[unit]!);
    const view: StepView = {
      level: level + (step === undefined ? 0 : solved.ownMeans[2 * step]!),
      slope: slopes.reduce((sum, effect) => sum + solved.mean[effect]!, 0) + (step === undefined ? 0 : solved.ownMeans[2 * step + 1]!),
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
    const { solved, spreads } = this.fitted;
    const loads = new Map<number, number>(fixed.map((effect) => [effect, 1]));
    if (leaders !== 0) loads.set(LEADERS, leaders);
    for (const effect of slopes) loads.set(effect, bySlope);
    let unitLoad = 1;
    let variance = spreads.step ** 2 + bySlope ** 2 * spreads.stepSlope ** 2;
    const take = (effect: number, load: number) => loads.set(effect, (loads.get(effect) ?? 0) + load);
    if (step !== undefined) {
      const { keys, own, follows } = stepBlock(solved, step);
      const n = keys.length + 1;
      variance = own[0]! + 2 * bySlope * own[1]! + bySlope ** 2 * own[2]!;
      for (const [index, effect] of keys.entries()) take(effect, -(follows[index]! + bySlope * follows[n + index]!));
      unitLoad -= follows[n - 1]! + bySlope * follows[2 * n - 1]!;
    }
    if (unit === undefined) variance += unitLoad ** 2 * spreads.unit ** 2;
    else {
      const { keys, precision, follows } = unitBlock(solved, unit);
      variance += unitLoad ** 2 / precision;
      for (const [index, effect] of keys.entries()) take(effect, -unitLoad * follows[index]!);
    }
    for (const [i, a] of loads) for (const [j, b] of loads) variance += a * b * solved.covariance[i * EFFECTS + j]!;
    return variance;
  }
}

/** Adds so many times what others are in each draw. */
function addTo(sums: Float64Array, times: number, others: Float64Array): void {
  for (let draw = 0; draw < sums.length; draw++) sums[draw]! += times * others[draw]!;
}

interface StepDraws {
  level: Float64Array;
  slope: Float64Array;
}
