import { expect } from 'chai';
import { addedSince, agreedPrice } from '../../../src/core/money/agreedPrice';
import type { Quote } from '../../../src/core/money/definitions';

const quote = (totalMinor: number, answer: Quote['answer'], writtenAt = '2026-11-10T10:00:00Z') =>
  ({ writtenAt, answer, offer: { price: { totalMinor } } }) as Quote;
const own = (ownPriceMinor: number | null) => ({ ownPriceMinor });

describe('the agreed price', () => {
  it('is the quote that was accepted, and nothing while there is neither that nor a word of the painter', () => {
    expect(agreedPrice([], [], own(null))).to.equal(null);
    expect(agreedPrice([quote(40_000, 'declined')], [], own(null))).to.equal(null);
    expect(agreedPrice([], [], own(45_000))).to.equal(45_000);
    expect(agreedPrice([quote(40_000, 'accepted'), quote(50_000, null)], [], own(45_000))).to.equal(40_000);
  });

  it('grows by what was added since, not by what was in the quote already', () => {
    const changes = [
      { at: '2026-11-09T10:00:00Z', priceMinor: 900 },
      { at: '2026-11-11T10:00:00Z', priceMinor: 1500 },
      { at: '2026-11-12T10:00:00Z', priceMinor: null },
      { at: '2026-11-13T10:00:00Z', priceMinor: -200 },
    ];
    expect(agreedPrice([quote(40_000, 'accepted')], changes, own(null))).to.equal(41_300);
    expect(addedSince({ writtenAt: '2026-11-10T10:00:00Z' }, changes)).to.equal(1300);
    expect(addedSince({ writtenAt: '2026-11-11T10:00:00Z' }, changes), 'of the same moment: in the quote').to.equal(-200);
  });
});
