import type { SoftRule } from './ruleBetween';

/** Rules that pull against each other on one pair leave only their difference, with the reason that weighs most in its direction. */
export class PairSums {
  private readonly pairs = new Map<string, { a: string; b: string; sum: number; most: [Reason | null, Reason | null] }>();

  constructor(
    private readonly kind: SoftRule['kind'],
    private readonly isFree: (a: string, b: string) => boolean,
  ) {}

  add(first: string, then: string, minutes: number, rule: string, reason: () => string): void {
    if (!this.isFree(first, then)) return;
    const isForward = first < then;
    const [a, b] = isForward ? [first, then] : [then, first];
    const key = `${a} ${b}`;
    const pair = this.pairs.get(key) ?? { a, b, sum: 0, most: [null, null] };
    pair.sum += isForward ? minutes : -minutes;
    const side = isForward ? 0 : 1;
    if (minutes > (pair.most[side]?.minutes ?? 0)) pair.most[side] = { minutes, rule, reason };
    this.pairs.set(key, pair);
  }

  differences(): SoftRule[] {
    return [...this.pairs.values()].flatMap(({ a, b, sum, most }): SoftRule[] => {
      const [first, then, why] = sum > 0 ? [a, b, most[0]] : [b, a, most[1]];
      if (!why || Math.abs(sum) < SMALLEST) return [];
      return [{ kind: this.kind, first, then, minutesPerModel: Math.abs(sum), rule: why.rule, reason: why.reason() }];
    });
  }
}

interface Reason {
  minutes: number;
  rule: string;
  reason: () => string;
}

/** What adding and taking away may leave of nothing, minutes. */
const SMALLEST = 1e-9;
