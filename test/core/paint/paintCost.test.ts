import { expect } from 'chai';
import { paintCost } from '../../../src/core/paint/paintCost';
import { UNKNOWN_POT, type ShelfPaint } from '../../../src/core/paint/shelf';
import { paint } from '../../support/units';

describe('what the paint of a job costs', () => {
  const pot = (id: string, volumeMl: number | null, priceMinor: number | null): ShelfPaint => ({
    ...paint(id),
    name: id,
    ...UNKNOWN_POT,
    revision: 1,
    volumeMl,
    priceMinor,
  });
  const shelf = [pot('sea', 20, 400), pot('foam', 10, 300), pot('rust', null, 500), pot('ash', 10, 100)];

  it('is its share of each pot, and whole pots for what is missing', () => {
    const whole = new Map([['sea', 30], ['foam', 5], ['rust', 1]]); // prettier-ignore
    const open = new Map([['sea', 25], ['foam', 5]]); // prettier-ignore
    expect(paintCost(whole, open, shelf, new Map([['sea', 4], ['foam', 9]]))).to.deep.equal({ usedMinor: 750, potsMinor: 800, pots: [{ name: 'sea', count: 2 }], unpriced: ['rust'] }); // prettier-ignore
    // A pot that nobody has read is not bought on suspicion.
    expect(paintCost(whole, open, shelf, new Map()).pots).to.deep.equal([]);
  });
});
