import { expect } from 'chai';
import fc from '../../support/property';
import { quantile } from '../../../src/core/kernel/quantile';

describe('the value below which a share lies', () => {
  it('is the least, the most, and on the straight line in between', () => {
    const values = [1, 2, 4, 8, 16];
    expect([0, 0.25, 0.5, 0.75, 1].map((share) => quantile(values, share))).to.deep.equal(values);
    expect(quantile(values, 0.125)).to.equal(1.5);
    expect(quantile(values, 0.9375)).to.equal(14);
    expect(quantile([7], 0.3)).to.equal(7);
  });

  it('never falls as the share grows, and stays within the values', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1 }), share, share, (values, one, other) => {
        const sorted = values.toSorted((a, b) => a - b);
        const [low, high] = [Math.min(one, other), Math.max(one, other)].map((each) => quantile(sorted, each)) as [number, number];
        expect(low).to.be.at.least(sorted[0]!);
        expect(high).to.be.within(low - 1e-9, sorted.at(-1)!);
      }),
      { seed: 20261201 },
    );
  });

  it('is none of no values', () => {
    expect(() => quantile([], 0.5)).to.throw('quantile: no values');
  });
});
