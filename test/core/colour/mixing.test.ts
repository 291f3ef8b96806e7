import { expect } from 'chai';
import { converter } from 'culori';
import fc from '../../support/property';
import { labOf, labOfLinear, differenceOf, differsAtLeast, lightnessDiffersBy } from '../../../src/core/colour/difference';
import { flattened } from '../../../src/core/colour/flatten';
import { hexOfLinear, linearOf, luminanceOf } from '../../../src/core/colour/linearRgb';
import { Mixer, strengthOf } from '../../../src/core/colour/mixing';
import { LINEAR_RGB_FROM_REFLECTANCE as T } from '../../../src/core/colour/spectralData';
import { spectrumOf } from '../../../src/core/colour/spectrum';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
const parts = fc.integer({ min: 1, max: 12 });
const shares = fc.array(fc.record({ pigment: fc.record({ hex }), parts }), { minLength: 1, maxLength: 4 });
const clipped = (value: number) => Math.min(0.98, Math.max(0.001, value));

describe('the spectrum of a colour', () => {
  it('looks like the colour, lies between nothing and everything, and adds up to white', () => {
    for (const row of T) expect(row.reduce((sum, each) => sum + each, 0)).to.be.closeTo(1, 1e-6);
    fc.assert(
      fc.property(hex, (colour) => {
        const spectrum = spectrumOf(linearOf(colour));
        for (const value of spectrum) expect(value).to.be.within(0, 1);
        linearOf(colour).forEach((wanted, row) =>
          expect(T[row]!.reduce((sum, weight, band) => sum + weight * spectrum[band]!, 0)).to.be.closeTo(clipped(wanted), 1e-8),
        );
      }),
    );
  });

  it('is smooth: of a grey it is flat', () => {
    const spectrum = spectrumOf([0.3, 0.3, 0.3]);
    for (const value of spectrum) expect(value).to.be.closeTo(0.3, 1e-6);
    const steps = (of: Float64Array) =>
      of.reduce((sum, value, band) => sum + (band === 0 ? 0 : (Math.atanh(2 * value - 1) - Math.atanh(2 * of[band - 1]! - 1)) ** 2), 0);
    // No other spectrum of the colour is smoother: a nudge that keeps the colour makes it rougher.
    const red = spectrumOf(linearOf('#a83224'));
    for (let seed = 0; seed < 20; seed++) {
      const nudge = Float64Array.from(red, (_, band) => 1e-3 * Math.sin((seed + 1) * (band + seed)));
      const kept = withoutColour(nudge);
      expect(steps(red.map((value, band) => value + kept[band]!))).to.be.above(steps(red));
    }
  });
});

/** What of a change of a spectrum does not show: its share in the three directions that make the colour is taken out (Gram and Schmidt). */
function withoutColour(change: Float64Array): Float64Array {
  const directions: Float64Array[] = [];
  for (const row of T) {
    const direction = Float64Array.from(row);
    for (const other of directions) {
      const along = direction.reduce((sum, value, band) => sum + value * other[band]!, 0);
      other.forEach((value, band) => (direction[band]! -= along * value));
    }
    const length = Math.hypot(...direction);
    directions.push(direction.map((value) => value / length));
  }
  const kept = Float64Array.from(change);
  for (const direction of directions) {
    const along = kept.reduce((sum, value, band) => sum + value * direction[band]!, 0);
    direction.forEach((value, band) => (kept[band]! -= along * value));
  }
  return kept;
}

describe('the colour of a mix', () => {
  const mixer = new Mixer();

  it('of a paint with itself is its own, in any parts', () => {
    fc.assert(
      fc.property(hex, parts, parts, (colour, one, two) => {
        const pigment = { hex: colour };
        expect(mixer.hexOf([{ pigment, parts: one }])).to.equal(colour);
        expect(mixer.hexOf([{ pigment, parts: one }, { pigment, parts: two }])).to.equal(colour); // prettier-ignore
      }),
    );
  });

  it('goes neither by the order of its paints nor by how much is mixed', () => {
    fc.assert(
      fc.property(shares, parts, (of, times) => {
        const colour = mixer.hexOf(of);
        const close = (other: string) => expect(differenceOf(labOf(colour), labOf(other))).to.be.below(0.7);
        close(mixer.hexOf([...of].reverse()));
        close(mixer.hexOf(of.map((share) => ({ ...share, parts: share.parts * times }))));
      }),
    );
  });

  it('darkens with black and never leaves what a screen shows', () => {
    fc.assert(
      fc.property(hex, parts, (colour, drops) => {
        fc.pre(luminanceOf(linearOf(colour)) > 0.02);
        const mixed = mixer.mixed([
          { pigment: { hex: colour }, parts: drops },
          { pigment: { hex: '#000000' }, parts: 1 },
        ]);
        expect(luminanceOf(mixed)).to.be.below(luminanceOf(linearOf(colour)));
        expect(hexOfLinear(mixed)).to.match(/^#[0-9a-f]{6}$/);
      }),
    );
  });

  it('leans towards the stronger paint', () => {
    const [dark, light] = ['#202060', '#f0e8d0'];
    const of = (strength: number) =>
      luminanceOf(mixer.mixed([{ pigment: { hex: dark, strength }, parts: 1 }, { pigment: { hex: light }, parts: 1 }])); // prettier-ignore
    expect(of(0.1)).to.be.above(of(0.5)).and.above(of(2));
    expect(strengthOf({ hex: '#000000' })).to.be.closeTo(0.05, 1e-9);
    expect(strengthOf({ hex: '#ffffff' })).to.be.closeTo(1, 1e-9);
    expect(() => mixer.hexOf([{ pigment: { hex: dark }, parts: 0 }])).to.throw(RangeError);
  });
});

describe('a mix of mixes', () => {
  it('is what its paints make of it, however it was made', () => {
    const share = fc.oneof(
      fc.record({ paint: fc.constantFrom('a', 'b', 'c'), parts }),
      fc.record({ mix: fc.constantFrom('one', 'two'), parts }),
    );
    const paintShare = fc.record({ paint: fc.constantFrom('a', 'b', 'c'), parts });
    fc.assert(
      fc.property(fc.array(paintShare, { minLength: 1, maxLength: 3 }), fc.array(share, { minLength: 1, maxLength: 3 }), (one, of) => {
        const two = { of: [{ mix: 'one', parts: 1 }, { paint: 'c', parts: 2 }] }; // prettier-ignore
        const mixes = new Map<string, Parameters<typeof flattened>[0]>([['one', { of: one }], ['two', two]]); // prettier-ignore
        const flat = flattened({ of }, mixes);
        expect([...flat.values()].reduce((sum, each) => sum + each, 0)).to.be.closeTo(1, 1e-9);
        const whole = of.reduce((sum, each) => sum + each.parts, 0);
        for (const paint of ['a', 'b', 'c']) {
          const byHand = of.reduce((sum, each) => {
            if ('paint' in each) return sum + (each.paint === paint ? each.parts : 0);
            return sum + each.parts * (flattened(mixes.get(each.mix)!, mixes).get(paint) ?? 0);
          }, 0);
          expect(flat.get(paint) ?? 0).to.be.closeTo(byHand / whole, 1e-9);
        }
      }),
    );
  });

  it('that is made of itself comes to what else is in it', () => {
    const circle = { of: [{ mix: 'circle', parts: 1 }, { paint: 'a', parts: 1 }] }; // prettier-ignore
    expect([...flattened(circle, new Map([['circle', circle]]))]).to.deep.equal([['a', 1]]);
    expect([...flattened({ of: [{ mix: 'nowhere', parts: 1 }] }, new Map())]).to.deep.equal([]);
  });
});

describe('CIE L*a*b* of a linear colour', () => {
  it('is that of an independent conversion, and a bound of a difference is never above it', () => {
    const oracle = converter('lab65');
    fc.assert(
      fc.property(hex, hex, (one, other) => {
        const [a, b] = [labOfLinear(linearOf(one)), labOfLinear(linearOf(other))];
        const known = oracle(one)!;
        expect([a.l, a.a, a.b].map((value) => value.toFixed(4))).to.deep.equal(
          [known.l, known.a, known.b]
            .map((value) => (value === 0 ? 0 : value).toFixed(4))
            .map((text) => (text === '-0.0000' ? '0.0000' : text)),
        );
        const difference = differenceOf(a, b);
        expect(differsAtLeast(a, b)).to.be.at.most(difference + 1e-9);
        expect(lightnessDiffersBy(a.l, b.l)).to.be.at.most(difference + 1e-9);
      }),
      { numRuns: 1000 },
    );
  });
});
