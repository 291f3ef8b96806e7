import { expect } from 'chai';
import { differenceCiede2000 } from 'culori';
import { byColour } from '../../../src/core/colour/colourOrder';
import {
  differenceOf,
  labOf,
  lightnessOfLuminance,
  luminanceOfLightness,
  MOST_LIGHTNESS_WEIGHT,
} from '../../../src/core/colour/difference';
import { nearTwins } from '../../../src/core/paint/nearTwins';
import type { PaintKind } from '../../../src/core/scheme/model/paintKinds';
import { Random, seeds } from '../../support/random';

/** The 34 pairs of Sharma, Wu and Dalal (2005), table 1: L*, a*, b* of the two, and their CIEDE2000. */
const PAIRS = `
50 2.6772 -79.7751 50 0 -82.7485 2.0425
50 3.1571 -77.2803 50 0 -82.7485 2.8615
50 2.8361 -74.02 50 0 -82.7485 3.4412
50 -1.3802 -84.2814 50 0 -82.7485 1
50 -1.1848 -84.8006 50 0 -82.7485 1
50 -0.9009 -85.5211 50 0 -82.7485 1
50 0 0 50 -1 2 2.3669
50 -1 2 50 0 0 2.3669
50 2.49 -0.001 50 -2.49 0.0009 7.1792
50 2.49 -0.001 50 -2.49 0.001 7.1792
50 2.49 -0.001 50 -2.49 0.0011 7.2195
50 2.49 -0.001 50 -2.49 0.0012 7.2195
50 -0.001 2.49 50 0.0009 -2.49 4.8045
50 -0.001 2.49 50 0.001 -2.49 4.8045
50 -0.001 2.49 50 0.0011 -2.49 4.7461
50 2.5 0 50 0 -2.5 4.3065
50 2.5 0 73 25 -18 27.1492
50 2.5 0 61 -5 29 22.8977
50 2.5 0 56 -27 -3 31.903
50 2.5 0 58 24 15 19.4535
50 2.5 0 50 3.1736 0.5854 1
50 2.5 0 50 3.2972 0 1
50 2.5 0 50 1.8634 0.5757 1
50 2.5 0 50 3.2592 0.335 1
60.2574 -34.0099 36.2677 60.4626 -34.1751 39.4387 1.2644
63.0109 -31.0961 -5.8663 62.8187 -29.7946 -4.0864 1.263
61.2901 3.7196 -5.3901 61.4292 2.248 -4.962 1.8731
35.0831 -44.1164 3.7933 35.0232 -40.0716 1.5901 1.8645
22.7233 20.0904 -46.694 23.0331 14.973 -42.5619 2.0373
36.4612 47.858 18.3852 36.2715 50.5065 21.2231 1.4146
90.8027 -2.0831 1.441 91.1528 -1.6435 0.0447 1.4441
90.9257 -0.5406 -0.9208 88.6381 -0.8985 -0.7239 1.5381
6.7747 -0.2908 -2.4247 5.8714 -0.0985 -2.2286 0.6377
2.0776 0.0795 -1.135 0.9033 -0.0636 -0.5514 0.9082`
  .trim()
  .split('\n')
  .map((line) => line.split(' ').map(Number));

const hexOf = (random: Random) => `#${random.whole(0, 0xffffff).toString(16).padStart(6, '0')}`;

describe('the difference of two colours', () => {
  it('is that of the 34 published pairs, either way round', () => {
    expect(PAIRS).to.have.length(34);
    for (const [l1, a1, b1, l2, a2, b2, expected] of PAIRS as [number, number, number, number, number, number, number][]) {
      const [one, other] = [
        { l: l1, a: a1, b: b1 },
        { l: l2, a: a2, b: b2 },
      ];
      expect(differenceOf(one, other)).to.be.closeTo(expected, 5e-5);
      expect(differenceOf(other, one)).to.be.closeTo(expected, 5e-5);
    }
  });

  it('is that of the colour library', () => {
    const library = differenceCiede2000();
    const random = new Random(11);
    for (let count = 0; count < 3000; count++) {
      const [one, other] = [labOf(hexOf(random)), labOf(hexOf(random))];
      expect(differenceOf(one, other)).to.be.closeTo(library({ mode: 'lab65', ...one }, { mode: 'lab65', ...other }), 1e-9);
    }
  });

  it('has a luminance for each lightness, and back', () => {
    for (const l of [0, 1, 7.9, 8.1, 50, 100]) expect(lightnessOfLuminance(luminanceOfLightness(l))).to.be.closeTo(l, 1e-9);
  });

  it('is never below what lightness alone makes of it', () => {
    const random = new Random(5);
    for (let count = 0; count < 3000; count++) {
      const [one, other] = [labOf(hexOf(random)), labOf(hexOf(random))];
      expect(differenceOf(one, other)).to.be.at.least(Math.abs(one.l - other.l) / MOST_LIGHTNESS_WEIGHT - 1e-9);
    }
  });
});

describe('near twins', () => {
  const kinds: PaintKind[] = ['opaque', 'wash', 'metallic', 'varnish'];

  it('are all pairs of a kind within the limit, nearest first, and no others', () => {
    for (const seed of seeds(20)) {
      const random = new Random(seed);
      const paints = Array.from({ length: 60 }, (_, index) => ({ id: `p${index}`, hex: hexOf(random), kind: random.pick(kinds) }));
      const limit = random.whole(2, 20);
      const expected = paints.flatMap((one, index) =>
        paints.slice(index + 1).filter((other) => {
          const difference = differenceOf(labOf(one.hex), labOf(other.hex));
          return one.kind === other.kind && one.kind !== 'varnish' && difference <= limit;
        }),
      );
      const found = nearTwins(paints, limit);
      expect(found, `seed ${seed}`).to.have.length(expected.length);
      expect(found.map(({ difference }) => difference)).to.deep.equal(found.map(({ difference }) => difference).sort((a, b) => a - b));
    }
  });

  it('are never of two kinds', () => {
    const same = { hex: '#446688' };
    expect(
      nearTwins(
        [
          { id: 'a', kind: 'opaque', ...same },
          { id: 'b', kind: 'wash', ...same },
        ],
        5,
      ),
    ).to.deep.equal([]);
    expect(
      nearTwins(
        [
          { id: 'a', kind: 'wash', ...same },
          { id: 'b', kind: 'wash', ...same },
        ],
        5,
      ),
    ).to.deep.equal([{ pair: ['a', 'b'], difference: 0 }]);
  });
});

describe('paints in the order of a rack', () => {
  it('are greys from dark to light, then hue by hue', () => {
    const order = byColour([
      { name: 'blue', hex: '#2244aa' },
      { name: 'white', hex: '#f4f4f2' },
      { name: 'pink', hex: '#e0a0a0' },
      { name: 'black', hex: '#151515' },
      { name: 'red', hex: '#8a1a1a' },
      { name: 'green', hex: '#2a7a3a' },
    ]);
    expect(order.map(({ name }) => name)).to.deep.equal(['black', 'white', 'red', 'pink', 'green', 'blue']);
  });
});
