import type { Steps } from '../../kernel/steps';
import { quadraticForm } from '../../kernel/cholesky';
import { SIZE_RANGE, EFFECTS, PERIODS, SLOPE_RANGE, TECHNIQUE_RANGE } from '../fit/effects';
import { Fit } from '../fit/Fit';
import { logShare } from '../fit/learningCurve';
import type { PreparedLog } from '../fit/observations';
import { monthsBetween } from '../fit/priorPrecision';
import { stepBlock } from '../fit/solved';
import { KEPT, noiseVariance, PRIOR_SPREADS, SPREAD_PRIORS, type Spreads } from '../fit/spreads';

const MOST_ROUNDS = 40;
/** Spreads are learned when none of them changes by more than this share in a round. */
const SETTLED = 3e-3;
/** Effects that a step touches, at most: its few and every period of the pace. */
const MOST_KEYS = 6 + PERIODS.length + 1;

/**
 * Learns the spreads from the log: those under which the log is most probable, each with its prior. A variance becomes the squares
 * of its effects over the number of them that the log has really measured (MacKay 1992, "Bayesian interpolation", section 5),
 * together with the fit itself.
 */
export function* learnSpreads(log: PreparedLog): Steps<Spreads> {
  const fit = new Fit(log, PRIOR_SPREADS);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    yield* fit.round();
    if (round < 2) continue;
    const next = updated(fit);
    const change = Math.max(...keysOf(next).map((key) => Math.abs(Math.log(next[key] / fit.spreads[key]))));
    fit.spreads = next;
    yield;
    if (change < SETTLED) break;
  }
  return fit.spreads;
}

const keysOf = (spreads: Spreads) => Object.keys(spreads) as (keyof Spreads)[];

/** Squares of effects, and how many of them were measured. */
class Evidence {
  private squares: number;
  private measured: number;

  constructor(private readonly of: Exclude<keyof Spreads, 'odd' | 'loose' | 'kept'>) {
    const { value, counts } = SPREAD_PRIORS[of];
    this.squares = counts * value ** 2;
    this.measured = counts;
  }

  /** An effect with its posterior mean and variance, its prior variance being `prior` times that of its kind. */
  take(mean: number, variance: number, spreads: Spreads, prior = 1): void {
    this.squares += mean ** 2 / prior;
    this.measured += Math.max(0, 1 - variance / (prior * spreads[this.of] ** 2));
  }

  spread(): number {
    return Math.sqrt(this.squares / this.measured);
  }
}

function updated(fit: Fit): Spreads {
  const { equations, spreads } = fit;
  const variance = (effect: number) => equations.covariance[effect * EFFECTS + effect]!;
  const ofRange = (of: 'technique' | 'size' | 'techniqueSlope', [from, to]: readonly [number, number]) => {
    const evidence = new Evidence(of);
    for (let effect = from; effect < to; effect++) evidence.take(equations.mean[effect]!, variance(effect), spreads);
    return evidence.spread();
  };
  const drift = new Evidence('drift');
  for (let period = 1; period < PERIODS.length; period++) {
    if (!equations.touched.includes(period)) break;
    const both = variance(period) + variance(period - 1) - 2 * equations.covariance[period * EFFECTS + period - 1]!;
    drift.take(equations.mean[period]! - equations.mean[period - 1]!, both, spreads, monthsBetween(period));
  }
  return {
    ...ofUnitsAndSteps(fit),
    ...ofCopies(fit),
    technique: ofRange('technique', TECHNIQUE_RANGE),
    size: ofRange('size', SIZE_RANGE),
    techniqueSlope: ofRange('techniqueSlope', SLOPE_RANGE),
    drift: drift.spread(),
    ...ofNoise(fit),
  };
}

function ofUnitsAndSteps({ equations, spreads, log }: Fit): Pick<Spreads, 'unit' | 'step' | 'stepSlope'> {
  const unit = new Evidence('unit');
  const step = new Evidence('step');
  const slope = new Evidence('stepSlope');
  const seen = new Set<number>();
  const solved = equations.solved();
  const covariance = new Float64Array(MOST_KEYS ** 2);
  for (let index = 0; index < log.steps.length; index++) {
    const { own, follows, keys } = stepBlock(solved, index);
    const n = keys.length + 1;
    equations.stepCovariance(index, covariance);
    const ofUnit = log.steps[index]!.unit;
    if (!seen.has(ofUnit)) unit.take(equations.unitMeans[ofUnit]!, covariance[n * n - 1]!, spreads);
    seen.add(ofUnit);
    const varianceOf = (which: 0 | 1) => own[2 * which]! + quadraticForm(covariance, 0, n, follows, which * n);
    step.take(equations.ownMeans[2 * index]!, varianceOf(0), spreads);
    slope.take(equations.ownMeans[2 * index + 1]!, varianceOf(1), spreads);
  }
  return { unit: unit.spread(), step: step.spread(), stepSlope: slope.spread() };
}

/** How much copies of a step differ, and the share of practice kept that explains their rows best. */
function ofCopies(fit: Fit): Pick<Spreads, 'copy' | 'kept'> {
  const { equations, spreads, log, precision, slopes } = fit;
  const copy = new Evidence('copy');
  for (let index = 0; index < log.copies.length; index++)
    copy.take(equations.copyMeans[index]!, equations.varianceOfCopy(index), spreads, COPY_SHARE);
  // One step of Gauss and Newton a round, beside the effects; how the curve moves with the practice before it is taken numerically.
  let slopesSquared = 1 / KEPT.spread ** 2;
  let right = (KEPT.mean - spreads.kept) / KEPT.spread ** 2;
  for (const [row, { step, done, practised, models }] of log.observations.entries()) {
    if (practised === 0) continue;
    const at = (kept: number) => logShare(done + kept * practised, models, slopes[step]!).value;
    const moves = (at(spreads.kept + KEPT_STEP) - at(spreads.kept - KEPT_STEP)) / (2 * KEPT_STEP);
    slopesSquared += precision[row]! * moves * moves;
    right += precision[row]! * moves * fit.residual(row);
  }
  const kept = spreads.kept + right / slopesSquared;
  return { copy: copy.spread(), kept: Math.min(KEPT.most, Math.max(KEPT.least, kept)) };
}

const KEPT_STEP = 0.01;
/** Two copies differ by the spread of copies: each stands apart by half of its square. */
const COPY_SHARE = 0.5;

/**
 * The two variances of the noise by the fixed point of their likelihood, each times the share of it that the rows show; the shares
 * of loose and odd rows by how many there seem to be.
 */
function ofNoise({ spreads, log, ordinary, loose: looseChance, squares }: Fit): Pick<Spreads, 'stretch' | 'model' | 'loose' | 'odd'> {
  const stretch = new NoiseEvidence('stretch', spreads);
  const model = new NoiseEvidence('model', spreads);
  let odd = SPREAD_PRIORS.odd.value * SPREAD_PRIORS.odd.counts;
  let loose = SPREAD_PRIORS.loose.value * SPREAD_PRIORS.loose.counts;
  let counted = 0;
  let sound = 0;
  for (let row = 0; row < log.observations.length; row++) {
    const { models, trusted } = log.observations[row]!;
    const isSound = ordinary[row]! + looseChance[row]!;
    const total = noiseVariance(spreads, models);
    stretch.take(1, squares[row]! * total, isSound, total);
    model.take(1 / Math.max(models, 0.25), squares[row]! * total, isSound, total);
    if (trusted) continue;
    counted++;
    sound += isSound;
    loose += looseChance[row]!;
    odd += 1 - isSound;
  }
  return {
    stretch: stretch.spread(),
    model: model.spread(),
    loose: loose / (SPREAD_PRIORS.loose.counts + sound),
    odd: odd / (SPREAD_PRIORS.odd.counts + counted),
  };
}

class NoiseEvidence {
  private squares: number;
  private measured: number;

  constructor(
    private readonly of: 'stretch' | 'model',
    private readonly spreads: Spreads,
  ) {
    const { value, counts } = SPREAD_PRIORS[of];
    this.squares = counts * value ** 2;
    this.measured = counts;
  }

  /** A row with so much of this variance in it (`load`), its expected squared noise, and the chance that it is sound. */
  take(load: number, square: number, sound: number, total: number): void {
    const share = (load * this.spreads[this.of] ** 2) / total;
    this.squares += (share ** 2 * square) / load;
    this.measured += share * sound;
  }

  spread(): number {
    return Math.sqrt(this.squares / this.measured);
  }
}
