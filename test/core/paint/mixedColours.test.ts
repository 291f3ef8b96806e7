import { expect } from 'chai';
import fc from '../../support/property';
import { differenceOf, labOf, labOfLinear } from '../../../src/core/colour/difference';
import { Mixer } from '../../../src/core/colour/mixing';
import { leastDifference, seenByAll, asSeenBy } from '../../../src/core/colour/vision';
import { linearOf } from '../../../src/core/colour/linearRgb';
import { wholeDrops } from '../../../src/core/colour/wholeDrops';
import { InputError } from '../../../src/core/kernel/InputError';
import { isTooFew, marksOf, type Marks, type MarksWish } from '../../../src/core/paint/marks';
import { matchesOf, recommended } from '../../../src/core/paint/match';
import { rampOf } from '../../../src/core/paint/ramp';

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
const shelf = (most: number) =>
  fc
    .array(hex, { minLength: 3, maxLength: most })
    .map((colours) => colours.map((colour, index) => ({ id: `p${index}`, hex: colour, kind: 'opaque' as const })));
const mixer = new Mixer();

describe('a ramp of highlights', () => {
  it('grows lighter step by step from near the dark paint to the light one', () => {
    fc.assert(
      fc.property(hex, hex, fc.integer({ min: 1, max: 6 }), fc.integer({ min: 2, max: 10 }), (one, other, steps, mostDrops) => {
        const ramp = rampOf({ hex: one }, { hex: other }, { steps, mostDrops }, mixer);
        expect(ramp.length).to.be.at.least(1).and.at.most(steps);
        const shares = ramp.map(({ dark, light }) => light / (dark + light));
        shares.slice(1).forEach((share, index) => expect(share).to.be.above(shares[index]!));
        for (const { dark, light, hex: colour } of ramp) {
          if (dark > 0 && light > 0) expect(dark + light).to.be.at.most(mostDrops);
          const parts = [{ pigment: { hex: one }, parts: dark }, { pigment: { hex: other }, parts: light }]; // prettier-ignore
          expect(colour).to.equal(mixer.hexOf(parts));
        }
        ramp.slice(1).forEach(({ dark, light, more }, index) => {
          const before = ramp[index]!;
          if (more !== null) expect((before.light + more) * dark).to.equal(light * before.dark);
        });
        if (ramp.length === steps && one !== other) expect(ramp.at(-1)!.wanted).to.be.closeTo(labOf(other).l, 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});

describe('whole drops', () => {
  it('are every ratio once', () => {
    expect(wholeDrops(1, 8)).to.deep.equal([[1]]);
    const ratios = wholeDrops(2, 8).map(([a, b]) => a! / b!);
    expect(new Set(ratios).size).to.equal(ratios.length);
    expect(wholeDrops(3, 8).every((parts) => parts.every((each) => each > 0) && parts.reduce((sum, each) => sum + each) <= 8)).to.equal(
      true,
    );
  });
});

describe('a match', () => {
  it('is the best there is, by trying everything', () => {
    fc.assert(
      fc.property(shelf(6), hex, fc.integer({ min: 2, max: 5 }), (paints, wanted, mostDrops) => {
        const matches = matchesOf(paints, { hex: wanted, mostDrops, mostPaints: 3 }, mixer);
        const lab = labOf(wanted);
        const tried = new Map<number, number>();
        for (const count of [1, 2, 3])
          for (const places of subsets(paints.length, count))
            for (const parts of wholeDrops(count, Math.max(count, mostDrops))) {
              if (parts.reduce((sum, each) => sum + each) > mostDrops) continue;
              const mixed = mixer.mixed(places.map((place, at) => ({ pigment: paints[place]!, parts: parts[at]! })));
              const difference = differenceOf(labOfLinear(mixed), lab);
              tried.set(count, Math.min(tried.get(count) ?? Infinity, difference));
            }
        expect(matches.map(({ parts }) => parts.length)).to.deep.equal([...tried.keys()]);
        for (const { parts, difference } of matches) expect(difference).to.be.closeTo(tried.get(parts.length)!, 1e-6);
        const best = recommended(matches)!;
        for (const each of matches) expect(best.difference).to.be.at.most(each.difference + 1);
      }),
      { numRuns: 40 },
    );
  });

  it('takes opaque paints only, and recommends the simplest that is near the best', () => {
    const paints = [
      { id: 'wash', hex: '#336699', kind: 'wash' as const },
      { id: 'near', hex: '#34679a', kind: 'opaque' as const },
    ];
    const [one, ...more] = matchesOf(paints, { hex: '#336699', mostDrops: 8, mostPaints: 3 }, mixer);
    expect(one!.parts).to.deep.equal([['near', 1]]);
    expect(more).to.deep.equal([]);
    expect(recommended([])).to.equal(null);
  });
});

describe('marks that can be told apart', () => {
  const wishOf = (paints: { id: string }[], groups: number, more: Partial<MarksWish> = {}): MarksWish => ({
    groups: Array.from({ length: groups }, (_, index) => `squad ${index + 1}`),
    from: paints.map(({ id }) => id),
    beside: [],
    clear: 0,
    pins: {},
    ...more,
  });

  it('lie as far apart as they can, by trying everything', () => {
    fc.assert(
      fc.property(shelf(9), fc.integer({ min: 1, max: 4 }), fc.option(hex), fc.boolean(), (paints, groups, beside, isPinned) => {
        const pins: Record<string, string> = isPinned ? { 'squad 1': paints[0]!.id } : {};
        const wish = wishOf(paints, groups, { beside: beside === null ? [] : [beside], clear: 10, pins });
        const marks = marksOf(paints, wish);
        const seen = paints.map((paint) => seenByAll(paint.hex));
        const clear = paints.flatMap((_, index) =>
          beside === null || leastDifference(seen[index]!, seenByAll(beside)) >= 10 ? [index] : [],
        );
        const fixed = isPinned ? [0] : [];
        const free = clear.filter((index) => !fixed.includes(index));
        if (isTooFew(marks)) {
          expect(free.length + fixed.length).to.be.below(groups);
          expect(marks.most).to.equal(free.length + fixed.length);
          return;
        }
        let best = -1;
        for (const subset of subsets(free.length, groups - fixed.length)) {
          const all = [...fixed, ...subset.map((at) => free[at]!)];
          best = Math.max(best, smallestOf(all.map((index) => seen[index]!)));
        }
        expect(marks.candidates).to.equal(clear.length);
        expect(marks.smallest).to.equal(best);
        expect(smallestOf(marks.paints.map((id) => seen[Number(id.slice(1))]!))).to.equal(best);
        expect(new Set(marks.paints).size).to.equal(groups);
        if (isPinned) expect(marks.paints[0]).to.equal('p0');
      }),
      { numRuns: 300 },
    );
  });

  it('count for eyes that see no red or no green', () => {
    const paints = [
      { id: 'red', hex: '#c03020' },
      { id: 'olive', hex: '#6f6a10' },
      { id: 'blue', hex: '#2050c0' },
    ];
    const { paints: two } = marksOf(paints, wishOf(paints, 2)) as Marks;
    expect(two).to.include('blue');
    expect(asSeenBy('protanopia', linearOf('#ffffff')).map((value) => value.toFixed(3))).to.deep.equal(['1.000', '1.000', '1.000']);
  });

  it('say which count can be had, and what is in the way', () => {
    const paints = [
      { id: 'a', hex: '#808080' },
      { id: 'b', hex: '#828080' },
      { id: 'c', hex: '#ff0000' },
    ];
    const few = marksOf(paints, wishOf(paints, 3, { beside: ['#818080'], clear: 12 }));
    expect(isTooFew(few) && [few.most, few.inTheWay.map(({ paint }) => paint).sort()]).to.deep.equal([1, ['a', 'b']]);
    expect(() => marksOf(paints, wishOf([{ id: 'gone' }], 1))).to.throw(InputError, /from\[0\].*gone/);
  });
});

function subsets(many: number, count: number, from = 0): number[][] {
  if (count === 0) return [[]];
  return Array.from({ length: Math.max(0, many - from) }, (_, index) => from + index).flatMap((first) =>
    subsets(many, count - 1, first + 1).map((rest) => [first, ...rest]),
  );
}

const smallestOf = (all: ReturnType<typeof seenByAll>[]): number =>
  Math.min(...all.flatMap((one, at) => all.slice(at + 1).map((other) => leastDifference(one, other))));
