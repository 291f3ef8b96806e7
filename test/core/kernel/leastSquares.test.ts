import { expect } from 'chai';
import { leastSquares } from '../../../src/core/kernel/leastSquares';
import { Random, seeds } from '../../support/random';

const sumOf = (residuals: readonly number[]) => residuals.reduce((sum, each) => sum + each * each, 0);

describe('least squares', () => {
  it('are those of a straight line', () => {
    const points = [
      [0, 1],
      [1, 3],
      [2, 4],
      [3, 8],
    ] as const;
    const [level, slope] = leastSquares(([a, b]) => points.map(([x, y]) => a! + b! * x - y), [0, 0]);
    expect(level).to.be.closeTo(0.7, 1e-7);
    expect(slope).to.be.closeTo(2.2, 1e-7);
    expect(leastSquares(() => [1], [])).to.deep.equal([]);
  });

  it('are found along a valley that bends', () => {
    const [x, y] = leastSquares(([a, b]) => [10 * (b! - a! * a!), 1 - a!], [-1.2, 1]);
    expect(x).to.be.closeTo(1, 1e-6);
    expect(y).to.be.closeTo(1, 1e-6);
  });

  it('stay where they are when nothing is better, and where they were when nothing can be told', () => {
    expect(leastSquares(([x]) => [x! - 4], [4])).to.deep.equal([4]);
    expect(leastSquares(([x]) => [Number.NaN * x!], [2])).to.deep.equal([2]);
  });

  it('are looked for no longer than until they are found', () => {
    const looksFrom = (start: number[]) => {
      let looks = 0;
      leastSquares(([a, b]) => {
        looks++;
        return [a! - 3, 2 * b! + 4, 0.5];
      }, start);
      return looks;
    };
    // The place and both sides of each number.
    expect(looksFrom([3, -2])).to.equal(5);
    expect(looksFrom([0, 0])).to.be.within(10, 60);
  });

  for (const seed of seeds(40))
    it(`are least though large residuals are left: no number alone makes them smaller (${seed})`, () => {
      const random = new Random(seed);
      const size = random.whole(1, 4);
      const rows = Array.from({ length: random.whole(1, 6) }, () => ({
        loads: Array.from({ length: size }, () => 0.2 + 6 * random.uniform() ** 3),
        told: random.chance(0.3) ? 0 : 12 * random.uniform(),
      }));
      const residualsOf = (at: readonly number[]) => [
        ...rows.map(({ loads, told }) => (told - loads.reduce((sum, load, index) => sum + load * Math.exp(at[index]!), 0)) / 0.5),
        ...at.map((each) => each / 0.5),
      ];
      const found = leastSquares(residualsOf, Array<number>(size).fill(0));
      const least = sumOf(residualsOf(found));
      for (let index = 0; index < size; index++)
        for (const nudge of [-0.02, -0.001, 0.001, 0.02])
          expect(sumOf(residualsOf(found.with(index, found[index]! + nudge)))).to.be.at.least(least - 1e-9 * (1 + least));
    });
});
