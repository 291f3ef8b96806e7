import { expect } from 'chai';
import fc from '../../support/property';
import { Precedence } from '../../../src/core/kernel/Precedence';

/** More than fit into one word of bits. */
const KEYS = Array.from({ length: 70 }, (_, index) => `k${index}`);
/** Pairs that never close a circle: the first stands before the second in the list of keys. */
const pairs = fc.array(
  fc
    .tuple(fc.nat(KEYS.length - 1), fc.nat(KEYS.length - 1))
    .filter(([a, b]) => a !== b)
    .map(([a, b]) => [Math.min(a, b), Math.max(a, b)] as const),
  { minLength: 30, maxLength: 120 },
);

/** Steps of the shortest way from one key to all others, Infinity where there is none: every pair gone over until nothing changes. */
function stepsFrom(from: number, of: readonly (readonly [number, number])[]): number[] {
  const steps = KEYS.map((_, key) => (key === from ? 0 : Infinity));
  for (let isDone = false; !isDone;) {
    isDone = true;
    for (const [before, after] of of)
      if (steps[before]! + 1 < steps[after]!) {
        steps[after] = steps[before]! + 1;
        isDone = false;
      }
  }
  return steps;
}

describe('what must stand before what', () => {
  it('is known through others, and the shortest way there', () => {
    fc.assert(
      fc.property(pairs, fc.nat(KEYS.length - 1), (of, from) => {
        const precedence = new Precedence(KEYS);
        for (const [before, after] of of) precedence.add(KEYS[before]!, KEYS[after]!);
        const steps = stepsFrom(from, of);
        for (const [to, key] of KEYS.entries()) {
          expect(precedence.implies(KEYS[from]!, key), key).to.equal(to !== from && steps[to]! < Infinity);
          const path = precedence.path(KEYS[from]!, key);
          expect(path?.length ?? Infinity).to.equal(steps[to]! + 1);
          if (!path) continue;
          expect([path[0], path.at(-1)]).to.deep.equal([KEYS[from], key]);
          for (let at = 1; at < path.length; at++)
            expect(of.some(([before, after]) => KEYS[before] === path[at - 1] && KEYS[after] === path[at])).to.equal(true);
        }
      }),
      { seed: 20261201, numRuns: 40 },
    );
  });

  it('grows by a pair after it was asked', () => {
    const precedence = new Precedence(['a', 'b', 'c']);
    precedence.add('a', 'b');
    expect(precedence.implies('a', 'c')).to.equal(false);
    precedence.add('b', 'c');
    expect(precedence.implies('a', 'c')).to.equal(true);
    expect(precedence.implies('c', 'a')).to.equal(false);
  });

  it('ends where pairs close a circle', () => {
    const precedence = new Precedence(['a', 'b', 'c']);
    precedence.add('a', 'b');
    precedence.add('b', 'a');
    expect(precedence.implies('a', 'b')).to.equal(true);
    expect(precedence.implies('a', 'a')).to.equal(true);
    expect(precedence.path('a', 'b')).to.deep.equal(['a', 'b']);
    expect(precedence.path('a', 'c')).to.equal(null);
    precedence.add('b', 'c');
    expect(precedence.path('a', 'c')).to.deep.equal(['a', 'b', 'c']);
  });
});
