import { LEADERS, SLOPE_OF_ALL } from './effects';
import type { PreparedLog } from './observations';
import { OWN, type NumberLists } from './solved';

/** Lists of numbers of different lengths, one behind the other. */
class Lists implements NumberLists {
  readonly start: Int32Array;
  readonly values: Int32Array;
  constructor(lists: readonly (readonly number[])[]) {
    this.start = new Int32Array(lists.length + 1);
    for (let index = 0; index < lists.length; index++) this.start[index + 1] = this.start[index]! + lists[index]!.length;
    this.values = new Int32Array(this.start[lists.length]!);
    for (let index = 0; index < lists.length; index++) this.values.set(lists[index]!, this.start[index]);
  }
  length(index: number): number {
    return this.start[index + 1]! - this.start[index]!;
  }
  at(index: number): Int32Array {
    return this.values.subarray(this.start[index], this.start[index + 1]);
  }
}

/** Where small square matrices stand, one behind the other. */
function squares(count: number, sizeOf: (index: number) => number): Int32Array {
  const start = new Int32Array(count + 1);
  for (let index = 0; index < count; index++) start[index + 1] = start[index]! + sizeOf(index) ** 2;
  return start;
}

/** Which effects the rows, steps and units of a log touch, and where the numbers of each stand. */
export class EquationPlaces {
  /** Effects that some row touches, the pace from now back to the oldest row, and the slope of all; ascending. */
  readonly touched: readonly number[];
  protected readonly oldest: number;
  protected readonly stepCount: number;
  protected readonly unitCount: number;
  /** Shared effects of steps and units, and where those of a step stand in its unit (the unit's own last). */
  protected readonly stepKeys: Lists;
  protected readonly unitKeys: Lists;
  protected readonly inUnit: Lists;
  /** Places of a row's effects in its step: those with a value of their own, then slopes. */
  protected readonly rowPlaces: Lists;
  protected readonly rowStep: Int32Array;
  protected readonly rowLeaders: Float64Array;
  protected readonly unitOf: Int32Array;
  /** The copy that each row is of, -1 for none; the step of each copy, and where its numbers stand: the step's places, then its own two. */
  protected readonly rowCopy: Int32Array;
  protected readonly copyStep: Int32Array;
  protected readonly copyStart: Int32Array;
  protected readonly stepSquare: Int32Array;
  protected readonly unitSquare: Int32Array;

  constructor(log: PreparedLog) {
    const stepKeys = log.steps.map(({ fixed, slopes }) => [...slopes, ...fixed]);
    for (const { step, pace, leaders } of log.observations) {
      const keys = stepKeys[step]!;
      if (!keys.includes(pace)) keys.push(pace);
      if (leaders !== 0 && !keys.includes(LEADERS)) keys.push(LEADERS);
    }
    const unitKeys = Array.from({ length: 1 + Math.max(-1, ...log.steps.map(({ unit }) => unit)) }, (): number[] => []);
    const places = unitKeys.map(() => new Map<number, number>());
    for (const [index, { unit }] of log.steps.entries()) {
      for (const key of stepKeys[index]!) {
        if (places[unit]!.has(key)) continue;
        places[unit]!.set(key, unitKeys[unit]!.length);
        unitKeys[unit]!.push(key);
      }
    }
    this.oldest = log.observations.reduce((most, { pace }) => Math.max(most, pace), 0);
    const touched = new Set([SLOPE_OF_ALL, ...unitKeys.flat(), ...Array.from({ length: this.oldest + 1 }, (_, period) => period)]);
    this.touched = [...touched].sort((a, b) => a - b);
    this.stepCount = stepKeys.length;
    this.unitCount = unitKeys.length;
    this.stepKeys = new Lists(stepKeys);
    this.unitKeys = new Lists(unitKeys);
    this.unitOf = Int32Array.from(log.steps, ({ unit }) => unit);
    this.inUnit = new Lists(
      stepKeys.map((keys, index) => {
        const { unit } = log.steps[index]!;
        return [...keys.map((key) => places[unit]!.get(key)!), unitKeys[unit]!.length];
      }),
    );
    this.rowStep = Int32Array.from(log.observations, ({ step }) => step);
    this.rowCopy = Int32Array.from(log.observations, ({ copy }) => copy);
    this.copyStep = Int32Array.from(log.copies);
    this.copyStart = new Int32Array(log.copies.length + 1);
    for (const [copy, step] of log.copies.entries()) this.copyStart[copy + 1] = this.copyStart[copy]! + this.inUnit.length(step) + OWN;
    this.rowLeaders = Float64Array.from(log.observations, ({ leaders }) => leaders);
    this.rowPlaces = new Lists(
      log.observations.map(({ step, pace, leaders }) => {
        const keys = stepKeys[step]!;
        const { fixed, slopes } = log.steps[step]!;
        const plain = [...fixed, pace];
        return [...slopes, ...plain, ...(leaders === 0 ? [] : [LEADERS])].map((key) => keys.indexOf(key));
      }),
    );
    const stepSize = (index: number) => stepKeys[index]!.length + 1;
    const unitSize = (index: number) => unitKeys[index]!.length + 1;
    this.stepSquare = squares(this.stepCount, stepSize);
    this.unitSquare = squares(this.unitCount, unitSize);
  }
}
