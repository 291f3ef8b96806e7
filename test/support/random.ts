import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Seeded choices for tests: the same seed gives the same case on every machine. */
export class Random {
  private readonly generator;

  constructor(seed: number) {
    this.generator = xoroshiro128plus(seed);
  }

  uniform(): number {
    return uniformFloat64(this.generator);
  }

  chance(share: number): boolean {
    return this.uniform() < share;
  }

  /** A whole number from `low` to `high`, both included. */
  whole(low: number, high: number): number {
    return low + Math.floor(this.uniform() * (high - low + 1));
  }

  pick<T>(items: readonly T[]): T {
    return items[this.whole(0, items.length - 1)]!;
  }

  shuffle<T>(items: readonly T[]): T[] {
    const next = [...items];
    for (let index = next.length - 1; index > 0; index--) {
      const other = this.whole(0, index);
      [next[index], next[other]] = [next[other]!, next[index]!];
    }
    return next;
  }
}

export const seeds = (count: number, first = 1): number[] => Array.from({ length: count }, (_, index) => first + index);
