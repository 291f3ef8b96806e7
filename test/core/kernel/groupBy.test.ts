import { expect } from 'chai';
import fc from '../../support/property';
import { groupBy } from '../../../src/core/kernel/groupBy';

describe('what belongs together', () => {
  it('keeps everything once, in its order, under its key', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 30 })), fc.integer({ min: 1, max: 7 }), (items, keys) => {
        const groups = groupBy(items, (item) => item % keys);
        const plain = [...new Set(items.map((item) => item % keys))].map((key) => [key, items.filter((item) => item % keys === key)]);
        expect([...groups]).to.deep.equal(plain);
      }),
    );
  });

  it('is nothing of nothing', () => {
    expect(groupBy([], (each) => each).size).to.equal(0);
  });
});
