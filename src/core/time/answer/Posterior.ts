import type { Steps } from '../../kernel/steps';
import { cholesky } from '../../kernel/cholesky';
import {
  ESTIMATE_FACTORS,
  type Explanation,
  type StepCurve,
  type StepEstimate,
  type StepKind,
  type TimeModel,
  type WorkItem,
} from '../definitions';
import type { StretchAhead } from '../../scheme/passes/stretchAhead';
import { EFFECT_KEYS, EFFECTS, LEADERS, SLOPE_OF_ALL, sizeAt, slopeAt, techniqueAt } from '../fit/effects';
import { explainEstimate } from './explainEstimate';
import type { Fitted } from '../fit/fitted';
import { keyedNormals } from './keyedNormals';
import { logShare, savedPerDoubling, slopeWithin } from '../fit/learningCurve';
import { LOOSE_VARIANCE, noiseParts } from '../fit/noise';
import { mixtureQuantile, Z90 } from './normal';
import { normMinutes } from '../fit/norms';
import { logAreaOf, originKey, stepKey, unitKey } from '../fit/observations';
import { stepBlock, unitBlock } from '../fit/solved';
import { copyVariance, noiseVariance, UNIT_COPY_SHARE } from '../fit/spreads';

const PACE_NOW = 0;
const ONE_MODEL: StretchAhead = { done: 4, models: 1, weight: 1 };
/** How much less a like step says where it covers another surface: log minutes for each unit of the logarithm of the surfaces. */
const AREA_SPREAD = 0.1;
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
  /** Of a step that is logged here and elsewhere; -1 for none. */
  copy: number;
  /** Variance of a copy of which nothing is logged yet against the step it is like; 0 for others. */
  apart: number;
  /** The same of its unit, with which all its steps differ. */
  unitApart: number;
  /** Models that count as done before the first one. */
  practised: number;
  /** Shared effects: those that count once, then those of the slope. */
  fixed: number[];
  slopes: number[];
}

/**
 * The joint posterior of a fit (Laplace approximation around the mode: Gelman et al., Bayesian Data Analysis, 3rd ed., chapter
 * 4), asked about steps that are logged and steps that are not.
 */
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
    return this.fitted.places.get(stepKey(kind))?.models ?? 0;
  }

  curve(kind: StepKind): StepCurve {
    const { level, slope, practised } = this.viewOf(kind);
    return {
      level: normMinutes(kind.technique, kind.size, kind.coverage) * Math.exp(level),
      slope: slopeWithin(slope),
      leaders: this.fitted.solved.mean[LEADERS]!,
      practised,
    };
  }

  estimate(kind: StepKind, stretch: StretchAhead = ONE_MODEL, orOdd = false): StepEstimate {
    const norm = normMinutes(kind.technique, kind.size, kind.coverage);
    const view = this.viewOf(kind);
    const share = logShare(stretch.done + view.practised, stretch.models, view.slope);
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
    const share = logShare(stretch.done + view.practised, stretch.models, view.slope);
    const leaders = Math.log(stretch.weight / stretch.models);
    const logs = {
      pace: solved.mean[pace]!,
      technique: solved.mean[technique]!,
      size: solved.mean[size]!,
      unit: view.unit === undefined ? 0 : solved.unitMeans[view.unit]!,
      step: (view.step === undefined ? 0 : solved.ownMeans[2 * view.step]!) + this.copyMean(view),
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
        const { value, bySlope } = logShare(done + view.practised, models, view.slope);
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
    const unitName = view.unit === undefined ? unitKey(kind) : this.fitted.unitNames[view.unit]!;
    addTo(unit, ofUnit ? 1 / Math.sqrt(ofUnit.precision) : spreads.unit, keyedNormals(`unit ${unitName}`, draws, seed));
    if (ofUnit) for (const [index, effect] of ofUnit.keys.entries()) addTo(unit, -ofUnit.follows[index]!, shared[effect]!);
    const ofStep = view.step === undefined ? null : stepBlock(solved, view.step);
    const [aa, ab, bb] = (ofStep ? [...ofStep.own] : [spreads.step ** 2, 0, spreads.stepSlope ** 2]) as [number, number, number];
    // Copies share what the step they are like draws.
    const name = view.step === undefined ? key : this.fitted.stepNames[view.step]!;
    const first = keyedNormals(`step ${name}`, draws, seed);
    const second = keyedNormals(`slope of ${name}`, draws, seed);
    const level = new Float64Array(draws);
    const slope = new Float64Array(draws);
    addTo(level, Math.sqrt(aa), first);
    addTo(slope, ab / Math.sqrt(aa), first);
    addTo(slope, Math.sqrt(Math.max(0, bb - ab ** 2 / aa)), second);
    if (ofStep) {
      // The unit's own stands behind the shared effects that the step follows.
      const others = [...Array.from(ofStep.keys, (effect) => shared[effect]!), unit];
      for (const [index, other] of others.entries()) {
        addTo(level, -ofStep.follows[index]!, other);
        addTo(slope, -ofStep.follows[others.length + index]!, other);
      }
      if (view.copy >= 0) this.drawCopy(view.copy, key, [...others, level.slice(), slope.slice()], level, seed);
    }
    addTo(level, Math.sqrt(view.apart), keyedNormals(`copy ${key}`, draws, seed));
    addTo(level, Math.sqrt(view.unitApart), keyedNormals(`copied unit ${unitKey(kind)}`, draws, seed));
    addTo(level, 1, unit);
    for (const effect of view.fixed) addTo(level, 1, shared[effect]!);
    for (const effect of view.slopes) addTo(slope, 1, shared[effect]!);
    for (let draw = 0; draw < draws; draw++) level[draw]! += view.level;
    return { level, slope };
  }

  /** How far a copy deviates from its mean, added to the level of its step: it follows what the step and its unit are in each draw. */
  private drawCopy(copy: number, key: string, others: readonly Float64Array[], level: Float64Array, seed: number): void {
    const { copyPrecision, follows } = this.copyBlock(copy);
    addTo(level, 1 / Math.sqrt(copyPrecision), keyedNormals(`copy ${key}`, level.length, seed));
    for (const [index, other] of others.entries()) addTo(level, -follows[index]!, other);
  }

  private copyBlock(copy: number): { copyPrecision: number; follows: Float64Array } {
    const { copyPrecision, copyFollows, copyStart } = this.fitted.solved;
    return { copyPrecision: copyPrecision[copy]!, follows: copyFollows.subarray(copyStart[copy], copyStart[copy + 1]) };
  }

  private copyMean({ copy }: Pick<StepView, 'copy'>): number {
    return copy < 0 ? 0 : this.fitted.solved.copyMeans[copy]!;
  }

  /** Where a step is in the log: here, or where it was copied from. */
  private placeOf(kind: StepKind): Pick<StepView, 'step' | 'unit' | 'copy' | 'apart' | 'unitApart' | 'practised'> {
    const { places, origins, unitIndex, unitOf, practised, logAreas, stepCopies, spreads } = this.fitted;
    const here = places.get(stepKey(kind));
    if (here) {
      const { step, copy } = here;
      return { step, unit: unitOf[step]!, copy, apart: 0, unitApart: 0, practised: spreads.kept * here.practised };
    }
    const own = kind.stepId === null ? undefined : origins.get(originKey(kind.stepId, kind.technique));
    const step = kind.stepLike === null ? own : origins.get(originKey(kind.stepLike, kind.technique));
    if (step === undefined) return { step, unit: unitIndex.get(unitKey(kind)), copy: -1, apart: 0, unitApart: 0, practised: 0 };
    const differs = AREA_SPREAD * (logAreaOf(kind) - logAreas[step]!);
    return {
      step,
      unit: unitOf[step]!,
      copy: -1,
      apart: (stepCopies[step]! > 1 ? copyVariance(spreads) : spreads.copy ** 2) + differs ** 2,
      unitApart: (UNIT_COPY_SHARE * spreads.copy) ** 2,
      practised: spreads.kept * practised[step]!,
    };
  }

  private viewOf(kind: StepKind): StepView {
    const key = [stepKey(kind), kind.technique, kind.size, kind.stepLike, kind.stepLike === null ? '' : kind.coverage].join('\u0001');
    const known = this.views.get(key);
    if (known) return known;
    const { solved } = this.fitted;
    const place = this.placeOf(kind);
    const { step, unit } = place;
    const fixed = [PACE_NOW, techniqueAt(kind.technique), sizeAt(kind.size)];
    const slopes = [SLOPE_OF_ALL, slopeAt(kind.technique)];
    const level = fixed.reduce((sum, effect) => sum + solved.mean[effect]!, unit === undefined ? 0 : solved.unitMeans[unit]!);
    const view: StepView = {
      ...place,
      level: level + (step === undefined ? 0 : solved.ownMeans[2 * step]!) + this.copyMean(place),
      slope: slopes.reduce((sum, effect) => sum + solved.mean[effect]!, 0) + (step === undefined ? 0 : solved.ownMeans[2 * step + 1]!),
      fixed,
      slopes,
    };
    this.views.set(key, view);
    return view;
  }

  /** Variance of what is expected of a stretch on a step. */
  private varianceOf({ step, unit, copy, apart, unitApart, fixed, slopes }: StepView, leaders: number, bySlope: number): number {
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
      let [ofLevel, ofSlope] = [1, bySlope];
      variance = apart + unitApart;
      if (copy >= 0) {
        const block = this.copyBlock(copy);
        variance += 1 / block.copyPrecision;
        for (const [index, effect] of keys.entries()) take(effect, -block.follows[index]!);
        unitLoad -= block.follows[n - 1]!;
        ofLevel -= block.follows[n]!;
        ofSlope -= block.follows[n + 1]!;
      }
      variance += ofLevel ** 2 * own[0]! + 2 * ofLevel * ofSlope * own[1]! + ofSlope ** 2 * own[2]!;
      for (const [index, effect] of keys.entries()) take(effect, -(ofLevel * follows[index]! + ofSlope * follows[n + index]!));
      unitLoad -= ofLevel * follows[n - 1]! + ofSlope * follows[2 * n - 1]!;
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
