import type { PreparedLog } from './observations';
import { EFFECTS } from './effects';
import { StepEquations } from './StepEquations';
import type { Spreads } from './spreads';

/** The normal equations of each unit: what its steps leave, out of which its own effect is eliminated. */
export class UnitEquations extends StepEquations {
  /** Precision of each unit's own effect given all shared ones, how it follows them, and its mean where those are nought. */
  protected readonly unitPrecision: Float64Array;
  protected readonly unitFollows: Float64Array;
  protected readonly unitMean: Float64Array;
  private readonly unitMatrix: Float64Array;
  private readonly unitRight: Float64Array;

  constructor(log: PreparedLog) {
    super(log);
    // The unit's own stands behind what it shares.
    const all = this.unitKeys.values.length + this.unitCount;
    this.unitMatrix = new Float64Array(this.unitSquare[this.unitCount]!);
    this.unitRight = new Float64Array(all);
    this.unitFollows = new Float64Array(all);
    this.unitPrecision = new Float64Array(this.unitCount);
    this.unitMean = new Float64Array(this.unitCount);
  }

  /** Adds to the equations of all shared effects, `EFFECTS` square and `EFFECTS`, what the steps leave once the units' own are out of it. */
  protected eliminateUnits(precision: Float64Array, right: Float64Array, spreads: Spreads): void {
    this.unitMatrix.fill(0);
    this.unitRight.fill(0);
    for (let step = 0; step < this.stepCount; step++) this.addToUnit(step);
    for (let unit = 0; unit < this.unitCount; unit++) {
      this.eliminateUnit(unit, spreads);
      this.addToAll(unit, precision, right);
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
}
