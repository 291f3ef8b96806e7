import { cholesky, inverseOf, quadraticForm, times } from '../../kernel/cholesky';
import { EFFECTS } from './effects';
import type { PreparedLog } from './observations';
import { priorPrecision } from './priorPrecision';
import { OWN, type Solved } from './solved';
import type { Spreads } from './spreads';
import { UnitEquations } from './UnitEquations';

/**
 * The normal equations of all effects. A step's own effects touch its rows only and a unit's its steps only: they are
 * eliminated one after the other, so that time is proportional to the rows, and exactly, so that the posterior is that of
 * one large system. All numbers stand in long typed arrays, as a fit of a long log goes through them dozens of times.
 */
export class Equations extends UnitEquations {
  mean: Float64Array = new Float64Array(EFFECTS);
  covariance: Float64Array = new Float64Array(EFFECTS * EFFECTS);
  /** Means of the units' own effects, and of the steps' two. */
  readonly unitMeans: Float64Array;
  readonly ownMeans: Float64Array;
  /** How far each copy of a step stands from what all of them share. */
  readonly copyMeans: Float64Array;
  private readonly stepCovariances: Float64Array;
  private readonly unitCross: Float64Array;

  constructor(log: PreparedLog) {
    super(log);
    this.unitMeans = new Float64Array(this.unitCount);
    this.ownMeans = new Float64Array(OWN * this.stepCount);
    this.copyMeans = new Float64Array(this.copyStep.length);
    this.stepCovariances = new Float64Array(this.stepMatrix.length);
    this.unitCross = new Float64Array(this.unitFollows.length);
  }

  /** What the last solution says. The numbers are those that the next one overwrites. */
  solved(): Solved {
    const { mean, covariance, unitMeans, ownMeans, stepKeys, unitKeys, stepOwn, stepFollows, unitPrecision, unitFollows } = this;
    const { copyMeans, copyPrecision, copyFollows, copyStart } = this;
    return {
      copyMeans,
      copyPrecision,
      copyFollows,
      copyStart,
      mean,
      covariance,
      unitMeans,
      ownMeans,
      stepKeys: { start: stepKeys.start, values: stepKeys.values },
      unitKeys: { start: unitKeys.start, values: unitKeys.values },
      stepOwn,
      stepFollows,
      unitPrecision,
      unitFollows,
    };
  }

  /**
   * Solves for all effects, given how precisely each row tells its expected log minutes, what it tells (`values`), the row's offset,
   * and its slope term.
   */
  solve(rowPrecision: Float64Array, values: Float64Array, offsets: Float64Array, slopeTerms: Float64Array, spreads: Spreads): void {
    this.eliminateSteps(rowPrecision, values, offsets, slopeTerms, spreads);
    const { precision, right } = priorPrecision(spreads, this.oldest);
    this.eliminateUnits(precision, right, spreads);
    this.solveTouched(precision, right);
    this.substituteBack();
    this.crossUnits();
  }

  /** Effects that no row touches stay what they were: the system is solved without them. */
  private solveTouched(precision: Float64Array, right: Float64Array): void {
    const n = this.touched.length;
    const part = new Float64Array(n * n);
    for (let i = 0; i < n; i++) for (let j = 0; j < n; j++) part[i * n + j] = precision[this.touched[i]! * EFFECTS + this.touched[j]!]!;
    const inverse = inverseOf(cholesky(part, n), n);
    const means = times(
      inverse,
      Float64Array.from(this.touched, (effect) => right[effect]!),
    );
    this.covariance = new Float64Array(EFFECTS * EFFECTS);
    this.mean = new Float64Array(EFFECTS);
    for (let effect = 0; effect < EFFECTS; effect++) this.covariance[effect * EFFECTS + effect] = 1 / precision[effect * EFFECTS + effect]!;
    for (let i = 0; i < n; i++) {
      this.mean[this.touched[i]!] = means[i]!;
      for (let j = 0; j < n; j++) this.covariance[this.touched[i]! * EFFECTS + this.touched[j]!] = inverse[i * n + j]!;
    }
  }

  /** Covariances of the shared effects that a step touches and its unit's own: the lower triangle of (keys + 1) squared numbers from `at`, row-major. */
  stepCovariance(step: number, into: Float64Array, at = 0): void {
    const start = this.stepKeys.start[step]!;
    const n = this.inUnit.length(step);
    const unit = this.unitOf[step]!;
    const crosses = this.unitKeys.start[unit]! + unit;
    const places = this.inUnit.start[step]!;
    const last = at + (n - 1) * n;
    for (let i = 0; i < n - 1; i++) {
      const row = this.stepKeys.values[start + i]! * EFFECTS;
      const line = at + i * n;
      for (let j = 0; j <= i; j++) into[line + j] = this.covariance[row + this.stepKeys.values[start + j]!]!;
      into[last + i] = this.unitCross[crosses + this.inUnit.values[places + i]!]!;
    }
    into[last + n - 1] = this.unitCross[crosses + this.unitKeys.length(unit)]!;
  }

  /** Covariances of each unit's own effect with the shared ones its rows touch, then its variance. */
  private crossUnits(): void {
    for (let unit = 0; unit < this.unitCount; unit++) {
      const keys = this.unitKeys.at(unit);
      const start = this.unitKeys.start[unit]! + unit;
      let variance = 1 / this.unitPrecision[unit]!;
      for (let i = 0; i < keys.length; i++) {
        const row = keys[i]! * EFFECTS;
        let sum = 0;
        for (let j = 0; j < keys.length; j++) sum += this.unitFollows[start + j]! * this.covariance[row + keys[j]!]!;
        this.unitCross[start + i] = -sum;
        variance += this.unitFollows[start + i]! * sum;
      }
      this.unitCross[start + keys.length] = variance;
    }
  }

  /** Mean and variance of what is expected of every row, less its offset. */
  marginals(slopeTerms: Float64Array, means: Float64Array, variances: Float64Array): void {
    const { start, values } = this.rowPlaces;
    const covariances = this.stepCovariances;
    for (let step = 0; step < this.stepCount; step++) this.stepCovariance(step, covariances, this.stepSquare[step]!);
    const loads = new Float64Array(EFFECTS);
    for (let row = 0; row < this.rowStep.length; row++) {
      const step = this.rowStep[row]!;
      const n = this.inUnit.length(step);
      const square = this.stepSquare[step]!;
      const slope = slopeTerms[row]!;
      const keys = this.stepKeys.start[step]!;
      loads.fill(0, 0, n);
      let mean = this.ownMeans[OWN * step]! + slope * this.ownMeans[OWN * step + 1]! + this.unitMeans[this.unitOf[step]!]!;
      loads[n - 1] = 1;
      for (let at = start[row]!; at < start[row + 1]!; at++) {
        const place = values[at]!;
        const value = this.loadOf(at - start[row]!, row, slope);
        loads[place]! += value;
        mean += value * this.mean[this.stepKeys.values[keys + place]!]!;
      }
      const copy = this.rowCopy[row]!;
      if (copy < 0) {
        means[row] = mean;
        variances[row] = this.variance(step, loads, 1, slope, covariances, square);
        continue;
      }
      const follows = this.copyStart[copy]!;
      means[row] = mean + this.copyMeans[copy]!;
      for (let i = 0; i < n; i++) loads[i]! -= this.copyFollows[follows + i]!;
      const [ofLevel, ofSlope] = [this.copyFollows[follows + n]!, this.copyFollows[follows + n + 1]!];
      variances[row] = 1 / this.copyPrecision[copy]! + this.variance(step, loads, 1 - ofLevel, slope - ofSlope, covariances, square);
    }
  }

  /** Variance of how far a copy stands from its step. */
  varianceOfCopy(copy: number): number {
    const step = this.copyStep[copy]!;
    const n = this.inUnit.length(step);
    const start = this.copyStart[copy]!;
    const covariances = new Float64Array(n * n);
    this.stepCovariance(step, covariances);
    const loads = this.copyFollows.subarray(start, start + n).map((follow) => -follow);
    const [ofLevel, ofSlope] = [this.copyFollows[start + n]!, this.copyFollows[start + n + 1]!];
    return 1 / this.copyPrecision[copy]! + this.variance(step, loads, -ofLevel, -ofSlope, covariances, 0);
  }

  /** Variance of a sum of effects: `loads` on those a step touches and on its unit's own, `level` and `slope` on the step's own two. */
  private variance(step: number, loads: Float64Array, level: number, slope: number, covariances: Float64Array, square: number): number {
    const n = this.inUnit.length(step);
    const follows = OWN * this.inUnit.start[step]!;
    for (let i = 0; i < n; i++) loads[i]! -= level * this.stepFollows[follows + i]! + slope * this.stepFollows[follows + n + i]!;
    const [aa, ab, bb] = [this.stepOwn[3 * step]!, this.stepOwn[3 * step + 1]!, this.stepOwn[3 * step + 2]!];
    const variance = level * level * aa + 2 * level * slope * ab + slope * slope * bb;
    return variance + quadraticForm(covariances, square, n, loads);
  }

  private substituteBack(): void {
    for (let unit = 0; unit < this.unitCount; unit++) {
      const start = this.unitKeys.start[unit]!;
      let own = this.unitMean[unit]!;
      for (let at = start; at < this.unitKeys.start[unit + 1]!; at++)
        own -= this.unitFollows[at + unit]! * this.mean[this.unitKeys.values[at]!]!;
      this.unitMeans[unit] = own;
    }
    for (let step = 0; step < this.stepCount; step++) {
      const n = this.inUnit.length(step);
      const follows = OWN * this.inUnit.start[step]!;
      const keys = this.stepKeys.start[step]!;
      let pace = this.stepMean[OWN * step]!;
      let slope = this.stepMean[OWN * step + 1]!;
      for (let i = 0; i < n; i++) {
        const other = i < n - 1 ? this.mean[this.stepKeys.values[keys + i]!]! : this.unitMeans[this.unitOf[step]!]!;
        pace -= this.stepFollows[follows + i]! * other;
        slope -= this.stepFollows[follows + n + i]! * other;
      }
      this.ownMeans[OWN * step] = pace;
      this.ownMeans[OWN * step + 1] = slope;
    }
    for (let copy = 0; copy < this.copyStep.length; copy++) {
      const step = this.copyStep[copy]!;
      const n = this.inUnit.length(step);
      const follows = this.copyStart[copy]!;
      const keys = this.stepKeys.start[step]!;
      let mean = this.copyRight[copy]! / this.copyPrecision[copy]!;
      for (let i = 0; i < n; i++) {
        const other = i < n - 1 ? this.mean[this.stepKeys.values[keys + i]!]! : this.unitMeans[this.unitOf[step]!]!;
        mean -= this.copyFollows[follows + i]! * other;
      }
      mean -= this.copyFollows[follows + n]! * this.ownMeans[OWN * step]!;
      this.copyMeans[copy] = mean - this.copyFollows[follows + n + 1]! * this.ownMeans[OWN * step + 1]!;
    }
  }
}
