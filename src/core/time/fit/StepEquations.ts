import { EquationPlaces } from './EquationPlaces';
import type { PreparedLog } from './observations';
import { OWN } from './solved';
import { copyVariance, type Spreads } from './spreads';

/** Numbers of a step's own: precision, by slope, by its square, right, right by slope. */
const SUMS = 5;

/**
 * The normal equations of each step: sums over its own rows, out of which what only those rows touch is eliminated, how its copies stand
 * apart and its own two effects. Of symmetric matrices only the lower triangle is filled.
 */
export class StepEquations extends EquationPlaces {
  protected readonly stepMatrix: Float64Array;
  protected readonly stepRight: Float64Array;
  /** Covariance of the own two given all others, how they follow those, and their means where those are nought. */
  protected readonly stepOwn: Float64Array;
  protected readonly stepFollows: Float64Array;
  protected readonly stepMean: Float64Array;
  /** The same of how far each copy stands from what all of them share. */
  protected readonly copyFollows: Float64Array;
  protected readonly copyPrecision: Float64Array;
  protected readonly copyRight: Float64Array;
  private readonly stepCross: Float64Array;
  private readonly stepSums: Float64Array;
  private readonly copyCross: Float64Array;

  constructor(log: PreparedLog) {
    super(log);
    const all = this.inUnit.values.length;
    this.stepMatrix = new Float64Array(this.stepSquare[this.stepCount]!);
    this.stepRight = new Float64Array(all);
    this.stepCross = new Float64Array(OWN * all);
    this.stepFollows = new Float64Array(OWN * all);
    this.stepSums = new Float64Array(SUMS * this.stepCount);
    this.stepOwn = new Float64Array(3 * this.stepCount);
    this.stepMean = new Float64Array(OWN * this.stepCount);
    const copies = this.copyStep.length;
    this.copyCross = new Float64Array(this.copyStart[copies]!);
    this.copyFollows = new Float64Array(this.copyCross.length);
    this.copyPrecision = new Float64Array(copies);
    this.copyRight = new Float64Array(copies);
  }

  /** Sums up all rows, and leaves of each step what other rows touch as well; takes what `Equations.solve` does. */
  protected eliminateSteps(
    rowPrecision: Float64Array,
    values: Float64Array,
    offsets: Float64Array,
    slopeTerms: Float64Array,
    spreads: Spreads,
  ): void {
    this.gather(rowPrecision, values, offsets, slopeTerms);
    for (let copy = 0; copy < this.copyStep.length; copy++) this.eliminateCopy(copy, spreads);
    for (let step = 0; step < this.stepCount; step++) this.eliminateOwn(step, spreads);
  }

  /** Value of the n-th effect of a row: two slopes, then technique, size and pace, then leaders. */
  protected loadOf(nth: number, row: number, slope: number): number {
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
      const sums = SUMS * step;
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
    const sums = SUMS * step;
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
    const sums = SUMS * step;
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
}
