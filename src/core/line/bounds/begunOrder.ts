import type { ToolCopy } from '../timing/ToolRack';

/** The first jobs of an order. Two begun orders of the same jobs differ only in what the rest can feel of them. */
export interface Begun {
  before: Begun | null;
  job: number;
  /** Its jobs, a bit each. */
  placed: Uint32Array;
  /**
   * What the total has of it already, the time on the clock aside: broken preferences, lateness of the dates that are settled, legs, and,
   * where sessions part it from that time, changeover and waiting at the bench.
   */
  owed: number;
  /** Setup in hand. */
  held: number;
  /** No order that begins so has a smaller total. */
  bound: number;
  session: number;
  /** What the rest can feel: moments at which setups could be in hand, and ends of models that are waited for. */
  felt: Float64Array;
}

/** Is the job in the set, a bit each? */
export const has = (set: Uint32Array, job: number) => ((set[job >> 5]! >>> (job & 31)) & 1) === 1;

/** Begun orders are compared only with those of the same jobs and, for each tool still wanted, the same setups on its copies. */
export function keyOf(placed: Uint32Array, copies: ToolCopy[]): string {
  const set = String.fromCharCode(...new Uint16Array(placed.buffer));
  return copies.length === 0 ? set : `${set}|${copies.map(({ setup, copy }) => `${setup}/${copy}`).join()}`;
}
