import { cholesky, inverseOf, quadraticForm, times } from '../../kernel/cholesky';
import { EFFECTS } from './effects';
import { EquationPlaces } from './EquationPlaces';
import type { PreparedLog } from './observations';
import { priorPrecision } from './priorPrecision';
import { OWN, type Solved } from './solved';
import { copyVariance, type Spreads } from './spreads';

/**
 * The normal equations of all effects. A step's own effects touch its rows only and a unit's its steps only: they are
 * eliminated one after the other, so that time is proportional to the rows, and exactly, so that the posterior is that of
 * one large system. All numbers stand in long typed arrays, as a fit of a long log goes through them dozens of times; of symmetric
 * matrices only the lower triangle is filled.
 */
export class Equations extends EquationPlaces {
  mean: Float64Array = new Float64Array(EFFECTS);
  covariance: Float64Array = new Float64Array(EFFECTS * EFFECTS);
  /** Means of the units' own effects, and of the steps' two. */
  readonly unitMeans: Float64Array;
  readonly ownMeans: Float64Array;
  private readonly stepMatrix: Float64Array;
  private readonly stepCovariances: Float64Array;
  private readonly stepRight: Float64Array;
  private readonly stepCross: Float64Array;
  private readonly stepFollows: Float64Array;
  /** Sums of a step's own: precision, by slope, by its square, right, right by slope. */
  private readonly stepSums: Float64Array;
  private readonly stepOwn: Float64Array;
  private readonly stepMean: Float64Array;
  /** How far each copy of a step stands from what all of them share. */
  readonly copyMeans: Float64Array;
  private readonly copyCross: Float64Array;
  private readonly copyFollows: Float64Array;
  private readonly copyPrecision: Float64Array;
  private readonly copyRight: Float64Array;
  private readonly unitMatrix: Float64Array;
  private readonly unitRight: Float64Array;
  private readonly unitFollows: Float64Array;
  private readonly unitCross: Float64Array;
  private readonly unitPrecision: Float64Array;
  private readonly unitMean: Float64Array;

  constructor(log: PreparedLog) {
    super(log);
    const allStep = this.inUnit.values.length;
    const allUnit = this.unitKeys.values.length + this.unitCount;
    this.stepMatrix = new Float64Array(this.stepSquare[this.stepCount]!);
    this.stepCovariances = new Float64Array(this.stepMatrix.length);
    this.stepRight = new Float64Array(allStep);
    this.stepCross = new Float64Array(OWN * allStep);
    this.stepFollows = new Float64Array(OWN * allStep);
    this.stepSums = new Float64Array(5 * this.stepCount);
    this.stepOwn = new Float64Array(3 * this.stepCount);
    this.stepMean = new Float64Array(OWN * this.stepCount);
    this.ownMeans = new Float64Array(OWN * this.stepCount);
    const copies = this.copyStep.length;
    this.copyCross = new Float64Array(this.copyStart[copies]!);
    this.copyFollows = new Float64Array(this.copyCross.length);
    this.copyPrecision = new Float64Array(copies);
    this.copyRight = new Float64Array(copies);
    this.copyMeans = new Float64Array(copies);
    this.unitMatrix = new Float64Array(this.unitSquare[this.unitCount]!);
    this.unitRight = new Float64Array(allUnit);
    this.unitFollows = new Float64Array(allUnit);
    this.unitCross = new Float64Array(allUnit);
    this.unitPrecision = new Float64Array(this.unitCount);
    this.unitMean = new Float64Array(this.unitCount);
    this.unitMeans = new Float64Array(this.unitCount);
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
    this.gather(rowPrecision, values, offsets, slopeTerms);
    for (let copy = 0; copy < this.copyStep.length; copy++) this.eliminateCopy(copy, spreads);
    this.unitMatrix.fill(0);
    this.unitRight.fill(0);
    for (let step = 0; step < this.stepCount; step++) {
      this.eliminateOwn(step, spreads);
      this.addToUnit(step);
    }
    const { precision, right } = priorPrecision(spreads, this.oldest);
    for (let unit = 0; unit < this.unitCount; unit++) {
      this.eliminateUnit(unit, spreads);
      this.addToAll(unit, precision, right);
    }
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

  /** Value of the n-th effect of a row: two slopes, then technique, size and pace, then leaders. */
  private loadOf(nth: number, row: number, slope: number): number {
    if (nth < 2) return slope;
    return nth < 5 ? 1 : this.rowLeaders[row]!;
  }

  /** Sums of each step over its own rows. */
  private gather(rowPrecision: Float64Array, told: Float64Array, offsets: Float64Array, slopeTerms: Float64Array): void {
    this.stepMatrix.fill(0);
    this.stepRight.fill(0);
    this.stepCross.fill(0);
    this.stepSums.fill(0);
    this.copyCross.fill(0);
    this.copyRight.fill(0);
    this.copyPrecision.fill(0);
    const { start, values } = this.rowPlaces;
    const places = new Int32Array(16);
    const each = new Float64Array(16);
    for (let row = 0; row < this.rowStep.length; row++) {
      const step = this.rowStep[row]!;
      const n = this.inUnit.length(step);
      const first = this.inUnit.start[step]!;
      const square = this.stepSquare[step]!;
      const slope = slopeTerms[row]!;
      const precision = rowPrecision[row]!;
      const target = precision * (told[row]! - offsets[row]!);
      const count = start[row + 1]! - start[row]!;
      for (let nth = 0; nth < count; nth++) {
        places[nth] = values[start[row]! + nth]!;
        each[nth] = this.loadOf(nth, row, slope);
      }
      places[count] = n - 1;
      each[count] = 1;
      for (let a = 0; a <= count; a++) {
        const i = places[a]!;
        const weighted = precision * each[a]!;
        for (let b = 0; b <= a; b++) {
          const j = places[b]!;
          this.stepMatrix[square + (i > j ? i * n + j : j * n + i)]! += weighted * each[b]!;
        }
        this.stepCross[OWN * first + i]! += weighted;
        this.stepCross[OWN * first + n + i]! += weighted * slope;
        this.stepRight[first + i]! += each[a]! * target;
      }
      const sums = 5 * step;
      this.stepSums[sums]! += precision;
      this.stepSums[sums + 1]! += precision * slope;
      this.stepSums[sums + 2]! += precision * slope * slope;
      this.stepSums[sums + 3]! += target;
      this.stepSums[sums + 4]! += slope * target;
      const copy = this.rowCopy[row]!;
      if (copy < 0) continue;
      const crosses = this.copyStart[copy]!;
      for (let a = 0; a <= count; a++) this.copyCross[crosses + places[a]!]! += precision * each[a]!;
      this.copyCross[crosses + n]! += precision;
      this.copyCross[crosses + n + 1]! += precision * slope;
      this.copyRight[copy]! += target;
      this.copyPrecision[copy]! += precision;
    }
  }

  /** Takes how a copy stands apart out of the sums of its step: it counts once in each of its rows. */
  private eliminateCopy(copy: number, spreads: Spreads): void {
    const step = this.copyStep[copy]!;
    const n = this.inUnit.length(step);
    const start = this.copyStart[copy]!;
    const precision = this.copyPrecision[copy]! + 1 / copyVariance(spreads);
    this.copyPrecision[copy] = precision;
    const [cross, follows] = [this.copyCross, this.copyFollows];
    for (let i = 0; i < n + OWN; i++) follows[start + i] = cross[start + i]! / precision;
    const first = this.inUnit.start[step]!;
    const square = this.stepSquare[step]!;
    const right = this.copyRight[copy]!;
    const [level, slope] = [cross[start + n]!, cross[start + n + 1]!];
    for (let i = 0; i < n; i++) {
      const follow = follows[start + i]!;
      this.stepRight[first + i]! -= follow * right;
      this.stepCross[OWN * first + i]! -= follow * level;
      this.stepCross[OWN * first + n + i]! -= follow * slope;
      for (let j = 0; j <= i; j++) this.stepMatrix[square + i * n + j]! -= follow * cross[start + j]!;
    }
    const [ofLevel, ofSlope] = [follows[start + n]!, follows[start + n + 1]!];
    const sums = 5 * step;
    this.stepSums[sums]! -= ofLevel * level;
    this.stepSums[sums + 1]! -= ofLevel * slope;
    this.stepSums[sums + 2]! -= ofSlope * slope;
    this.stepSums[sums + 3]! -= ofLevel * right;
    this.stepSums[sums + 4]! -= ofSlope * right;
  }

  /** Takes a step's own two effects out of its sums, and keeps how they follow the others. */
  private eliminateOwn(step: number, spreads: Spreads): void {
    const n = this.inUnit.length(step);
    const first = this.inUnit.start[step]!;
    const square = this.stepSquare[step]!;
    const sums = 5 * step;
    const [cross, follows, matrix] = [this.stepCross, this.stepFollows, this.stepMatrix];
    const aa = this.stepSums[sums]! + 1 / spreads.step ** 2;
    const ab = this.stepSums[sums + 1]!;
    const bb = this.stepSums[sums + 2]! + 1 / spreads.stepSlope ** 2;
    const determinant = aa * bb - ab * ab;
    const ownAa = bb / determinant;
    const ownAb = -ab / determinant;
    const ownBb = aa / determinant;
    this.stepOwn[3 * step] = ownAa;
    this.stepOwn[3 * step + 1] = ownAb;
    this.stepOwn[3 * step + 2] = ownBb;
    const pace = ownAa * this.stepSums[sums + 3]! + ownAb * this.stepSums[sums + 4]!;
    const slope = ownAb * this.stepSums[sums + 3]! + ownBb * this.stepSums[sums + 4]!;
    this.stepMean[OWN * step] = pace;
    this.stepMean[OWN * step + 1] = slope;
    const a = OWN * first;
    const b = a + n;
    for (let i = 0; i < n; i++) {
      follows[a + i] = ownAa * cross[a + i]! + ownAb * cross[b + i]!;
      follows[b + i] = ownAb * cross[a + i]! + ownBb * cross[b + i]!;
    }
    for (let i = 0; i < n; i++) {
      const crossA = cross[a + i]!;
      const crossB = cross[b + i]!;
      this.stepRight[first + i]! -= crossA * pace + crossB * slope;
      const line = square + i * n;
      for (let j = 0; j <= i; j++) matrix[line + j]! -= crossA * follows[a + j]! + crossB * follows[b + j]!;
    }
  }

  private addToUnit(step: number): void {
    const n = this.inUnit.length(step);
    const first = this.inUnit.start[step]!;
    const square = this.stepSquare[step]!;
    const unit = this.unitOf[step]!;
    const size = this.unitKeys.length(unit) + 1;
    const rights = this.unitKeys.start[unit]! + unit;
    const places = this.inUnit.values;
    const unitSquare = this.unitSquare[unit]!;
    for (let i = 0; i < n; i++) {
      const row = places[first + i]!;
      this.unitRight[rights + row]! += this.stepRight[first + i]!;
      for (let j = 0; j <= i; j++) {
        const column = places[first + j]!;
        this.unitMatrix[unitSquare + (row > column ? row * size + column : column * size + row)]! += this.stepMatrix[square + i * n + j]!;
      }
    }
  }

  /** Takes a unit's own effect, the last of its block, out of it. */
  private eliminateUnit(unit: number, spreads: Spreads): void {
    const last = this.unitKeys.length(unit);
    const size = last + 1;
    const square = this.unitSquare[unit]!;
    const rights = this.unitKeys.start[unit]! + unit;
    const precision = this.unitMatrix[square + size * size - 1]! + 1 / spreads.unit ** 2;
    this.unitPrecision[unit] = precision;
    const mean = this.unitRight[rights + last]! / precision;
    this.unitMean[unit] = mean;
    for (let i = 0; i < last; i++) this.unitFollows[rights + i] = this.unitMatrix[square + last * size + i]! / precision;
    for (let i = 0; i < last; i++) {
      const cross = this.unitMatrix[square + last * size + i]!;
      this.unitRight[rights + i]! -= cross * mean;
      const line = square + i * size;
      for (let j = 0; j <= i; j++) this.unitMatrix[line + j]! -= cross * this.unitFollows[rights + j]!;
    }
  }

  private addToAll(unit: number, precision: Float64Array, right: Float64Array): void {
    const last = this.unitKeys.length(unit);
    const start = this.unitKeys.start[unit]!;
    const square = this.unitSquare[unit]!;
    const keys = this.unitKeys.values;
    for (let i = 0; i < last; i++) {
      right[keys[start + i]!]! += this.unitRight[start + unit + i]!;
      const row = keys[start + i]!;
      const line = square + i * (last + 1);
      for (let j = 0; j <= i; j++) {
        const column = keys[start + j]!;
        precision[row > column ? row * EFFECTS + column : column * EFFECTS + row]! += this.unitMatrix[line + j]!;
      }
    }
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
