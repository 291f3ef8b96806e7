import type { Steps } from '../../kernel/steps';
import { Equations } from './Equations';
import { logShare } from './learningCurve';
import { noiseParts, sight, vouchedFor, type NoisePart } from './noise';
import type { PreparedLog } from './observations';
import { noiseVariance, SLOPE, type Spreads } from './spreads';

/** Rounds at most, and the largest change of an expected log minute at which a fit is done. */
const MOST_ROUNDS = 60;
const SETTLED = 1e-4;
/** In a long log a few rows that doubt each other need not hold up all others: one in so many, and by how much at most. */
const STRAGGLERS = 1000;
const STRAGGLING = 5e-3;
/**
 * Two rows that each doubt the other can take turns for ever: a row that turns back moves a smaller part of its way from then on;
 * one that goes on the same way takes longer steps.
 */
const TURNED_BACK = 0.5;
const LEAST_PART = 0.02;
const GOES_ON = 1.2;
const MOST_PART = 1.6;
/** Of what a row would say if it were ordinary: what odd rows would say is never believed at first. */
const FIRST_WORD = 1e-3;

/**
 * The posterior of a log for given spreads: every row becomes what it says once all others have spoken, round by round, until
 * nothing moves. The learning curve is linear in its slope near where it is, so its terms follow.
 */
export class Fit {
  readonly equations: Equations;
  /** How precisely each row tells its expected log minutes. */
  readonly precision: Float64Array;
  /** Chances that each row is ordinary, and loose; the rest is odd. Squares of its noise over its variance, as far as it is sound. */
  readonly ordinary: Float64Array;
  readonly loose: Float64Array;
  readonly squares: Float64Array;
  readonly slopes: Float64Array;
  private readonly logRatios: Float64Array;
  private readonly offsets: Float64Array;
  private readonly slopeTerms: Float64Array;
  private readonly expected: Float64Array;
  private readonly moves: Float64Array;
  private readonly parts: Float64Array;
  private readonly means: Float64Array;
  private readonly variances: Float64Array;

  constructor(
    readonly log: PreparedLog,
    public spreads: Spreads,
  ) {
    const rows = log.observations.length;
    this.equations = new Equations(log);
    this.slopes = new Float64Array(log.steps.length).fill(SLOPE.mean);
    this.precision = Float64Array.from(log.observations, ({ models }) => FIRST_WORD / noiseVariance(spreads, models));
    this.logRatios = Float64Array.from(log.observations, ({ logRatio }) => logRatio);
    [this.ordinary, this.loose, this.squares] = [new Float64Array(rows), new Float64Array(rows), new Float64Array(rows)];
    [this.offsets, this.slopeTerms, this.expected] = [new Float64Array(rows), new Float64Array(rows), new Float64Array(rows)];
    [this.moves, this.parts] = [new Float64Array(rows), new Float64Array(rows).fill(1 / GOES_ON)];
    [this.means, this.variances] = [new Float64Array(rows), new Float64Array(rows)];
  }

  /** Starts where a fit of nearly the same rows ended; `placeBefore` finds a row of this log in that one. */
  startFrom(before: Fit, placeBefore: (index: number) => number | undefined): void {
    for (const [row, { index }] of this.log.observations.entries()) {
      const place = placeBefore(index);
      if (place !== undefined) this.precision[row] = before.precision[place]!;
    }
    for (const [key, step] of this.log.stepIndex) {
      const place = before.log.stepIndex.get(key);
      if (place !== undefined) this.slopes[step] = before.slopes[place]!;
    }
  }

  /** Goes on until nothing moves. */
  *settle(): Steps<void> {
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const { most, moving } = yield* this.round();
      if (most < SETTLED || (most < STRAGGLING && moving * STRAGGLERS <= this.log.observations.length)) break;
    }
  }

  /** One round, in a few steps; answers with the largest change of an expected log minute, and how many rows are not settled. */
  *round(): Steps<{ most: number; moving: number }> {
    const { observations, steps } = this.log;
    this.linearise();
    yield;
    this.equations.solve(this.precision, this.logRatios, this.offsets, this.slopeTerms, this.spreads);
    yield;
    this.equations.marginals(this.slopeTerms, this.means, this.variances);
    yield;
    for (let step = 0; step < steps.length; step++) {
      const [ofAll, ofTechnique] = steps[step]!.slopes;
      this.slopes[step] = this.equations.mean[ofAll]! + this.equations.mean[ofTechnique]! + this.equations.ownMeans[2 * step + 1]!;
    }
    const parts = new Map<number, { all: NoisePart[]; sound: NoisePart[] }>();
    let most = 0;
    let moving = 0;
    for (let row = 0; row < observations.length; row++) {
      const { logRatio, models, trusted } = observations[row]!;
      const expected = this.means[row]! + this.offsets[row]!;
      const change = Math.abs(expected - this.expected[row]!);
      most = Math.max(most, change);
      if (change >= SETTLED) moving++;
      this.expected[row] = expected;
      let ofModels = parts.get(models);
      if (!ofModels) {
        const all = noiseParts(this.spreads, models);
        parts.set(models, (ofModels = { all, sound: vouchedFor(all) }));
      }
      // What all other rows say: this row's own word is taken back.
      const rest = 1 / Math.max(1 / this.variances[row]! - this.precision[row]!, 1e-9);
      const restMean = rest * (expected / this.variances[row]! - this.precision[row]! * logRatio);
      const seen = sight(logRatio, restMean, rest, trusted ? ofModels.sound : ofModels.all);
      const move = seen.precision - this.precision[row]!;
      const isBack = move * this.moves[row]! < 0;
      this.parts[row] = Math.min(MOST_PART, Math.max(LEAST_PART, (isBack ? TURNED_BACK : GOES_ON) * this.parts[row]!));
      this.moves[row] = move;
      this.precision[row] = Math.max(0, this.precision[row]! + this.parts[row]! * move);
      this.ordinary[row] = seen.ordinary;
      this.loose[row] = seen.loose;
      this.squares[row] = seen.square;
    }
    yield;
    return { most, moving };
  }

  /** Log of what a row took over what is expected of it. */
  residual(row: number): number {
    return this.log.observations[row]!.logRatio - this.expected[row]!;
  }

  private linearise(): void {
    const { observations } = this.log;
    for (let row = 0; row < observations.length; row++) {
      const { step, done, practised, models } = observations[row]!;
      const slope = this.slopes[step]!;
      const { value, bySlope } = logShare(done + this.spreads.kept * practised, models, slope);
      this.offsets[row] = value - bySlope * slope;
      this.slopeTerms[row] = bySlope;
    }
  }
}
