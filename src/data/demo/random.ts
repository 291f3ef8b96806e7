import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { monotonicFactory } from 'ulid';

/** Seeded randomness of the demo, so that every demo is the same but for its dates. */
export class DemoRandom {
  private readonly generator;
  private readonly nextUlid;

  constructor(seed: number) {
    this.generator = xoroshiro128plus(seed);
    this.nextUlid = monotonicFactory(() => this.uniform());
  }

  uniform(): number {
    return uniformFloat64(this.generator);
  }

  /** Standard normal, by the method of Box and Muller. */
  normal(): number {
    return Math.sqrt(-2 * Math.log(1 - this.uniform())) * Math.cos(2 * Math.PI * this.uniform());
  }

  id(at: number): string {
    return this.nextUlid(at);
  }
}
