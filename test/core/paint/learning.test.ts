import { expect } from 'chai';
import fc from '../../support/property';
import { Mixer, usualStrength } from '../../../src/core/colour/mixing';
import { FILM_KINDS, type FilmFactors, type FilmKind } from '../../../src/core/paint/films';
import { howFarOff, learnFilms, measuredUse, type Measured } from '../../../src/core/paint/learnFilms';
import { howFarOffSeen, learnStrengths, type SeenMix } from '../../../src/core/paint/learnStrengths';
import type { PaintUsed, PotLevel } from '../../../src/core/paint/shelf';

const between = (kind: FilmKind, assumed: number, usedMl: number, sdMl = 0.1): Measured => ({
  paintId: 'sea',
  from: '2026-11-01T10:00:00Z',
  to: '2026-11-02T10:00:00Z',
  assumedMl: { [kind]: assumed },
  paletteMl: 0.2,
  usedMl,
  sdMl,
});

describe('how much paint work really takes', () => {
  it('is learned from two levels with work in between, shrunk towards what is assumed', () => {
    const once = learnFilms([between('brushed', 4, 8.2, 0.4)]).brushed!;
    expect(once).to.be.within(1.6, 2);
    const often = learnFilms(Array.from({ length: 30 }, () => between('brushed', 4, 8.2, 0.4))).brushed!;
    expect(often).to.be.closeTo(2, 0.01).and.above(once);
    expect(learnFilms([])).to.deep.equal({});
    expect(learnFilms([between('dry', 3, 3.2)])).to.have.all.keys('dry');
  });

  it('is the most probable: nothing near it explains the levels better', () => {
    const kinds = fc.record({
      brushed: fc.double({ min: 0.2, max: 6, noNaN: true }),
      thinned: fc.double({ min: 0.2, max: 6, noNaN: true }),
    });
    const measured = fc.array(
      fc
        .tuple(kinds, fc.double({ min: 0, max: 12, noNaN: true }))
        .map(([assumedMl, usedMl]): Measured => ({ ...between('brushed', 1, usedMl, 0.5), assumedMl })),
      { minLength: 1, maxLength: 6 },
    );
    const loss = (of: FilmFactors, all: readonly Measured[]) =>
      all.reduce((sum, { assumedMl, paletteMl, usedMl, sdMl }) => {
        const foretold = FILM_KINDS.reduce((total, kind) => total + (of[kind] ?? 1) * (assumedMl[kind] ?? 0), paletteMl);
        return sum + ((usedMl - foretold) / sdMl) ** 2;
      }, 0) + FILM_KINDS.reduce((sum, kind) => sum + (Math.log(of[kind] ?? 1) / 0.5) ** 2, 0);
    fc.assert(
      fc.property(measured, (all) => {
        const learned = learnFilms(all);
        const least = loss(learned, all);
        for (const kind of ['brushed', 'thinned'] as const)
          for (const nudge of [0.98, 1.02]) expect(loss({ ...learned, [kind]: learned[kind]! * nudge }, all)).to.be.above(least - 1e-6);
      }),
      { numRuns: 60 },
    );
    // Two kinds that always went together, and much more used than they account for: each could bear most of it.
    const together = [
      { brushed: 0.35, thinned: 0.2, usedMl: 0 },
      { brushed: 0.62, thinned: 0.39, usedMl: 12 },
    ].map(({ usedMl, ...assumedMl }): Measured => ({ ...between('brushed', 1, usedMl, 0.5), assumedMl }));
    const learned = learnFilms(together);
    for (const kind of ['brushed', 'thinned'] as const)
      for (const nudge of [0.98, 1.02])
        expect(loss({ ...learned, [kind]: learned[kind]! * nudge }, together)).to.be.above(loss(learned, together));
  });

  it('goes by what was painted between the two looks, and by no pot that was filled or not used', () => {
    const level = (ml: number, hour: number, byEye = false): PotLevel => ({
      id: `${hour}`,
      paintId: 'sea',
      at: new Date(hour * 3_600_000).toISOString(),
      ml,
      byEye,
    });
    const use = (hour: number, ml: number, kind: PaintUsed['kind']): PaintUsed => ({ paintId: 'sea', at: hour * 3_600_000, ml, kind });
    const used = [use(1, 9, 'brushed'), use(3, 2, 'brushed'), use(3, 0.1, null), use(5, 1, 'thinned'), use(9, 1, 'dry')];
    const levels = [level(12, 4), level(18, 2, true), level(8, 6), level(20, 10), level(20, 12)];
    const pairs = measuredUse(levels, used, new Map([['sea', 18]]));
    expect(pairs.map(({ assumedMl, paletteMl, usedMl }) => [assumedMl, paletteMl, usedMl])).to.deep.equal([
      [{ brushed: 2 }, 0.1, 6],
      [{ thinned: 1 }, 0, 4],
    ]);
    expect(pairs[0]!.sdMl).to.be.above(pairs[1]!.sdMl);
    const off = howFarOff(pairs, learnFilms(pairs))!;
    expect(off.learned).to.be.below(off.assumed);
    expect(howFarOff([], {})).to.equal(null);
  });
});

describe('how strong paints are', () => {
  const mixer = new Mixer();
  const colours = new Map([
    ['dark', { hex: '#203a60' }],
    ['light', { hex: '#e8e0c8' }],
    ['red', { hex: '#a03024' }],
  ]);
  const seen = (shares: Record<string, number>, strengths: Record<string, number>): SeenMix => ({
    id: JSON.stringify(shares),
    at: '2026-11-30T10:00:00Z',
    mix: 'a mix',
    shares,
    hex: mixer.hexOf(
      Object.entries(shares).map(([id, parts]) => ({ pigment: { hex: colours.get(id)!.hex, strength: strengths[id]! }, parts })),
    ),
  });

  it('is found again from what their mixes looked like', () => {
    const truth = Object.fromEntries([...colours].map(([id, { hex }], index) => [id, usualStrength(hex) * [0.6, 1.1, 1.4][index]!]));
    const all = [
      seen({ dark: 0.5, light: 0.5 }, truth),
      seen({ dark: 0.2, light: 0.8 }, truth),
      seen({ red: 0.4, light: 0.6 }, truth),
      seen({ dark: 0.3, red: 0.3, light: 0.4 }, truth),
    ];
    const learned = learnStrengths(all, colours, mixer);
    const ratio = (of: (id: string) => number) => of('dark') / of('light');
    expect(ratio((id) => learned.get(id)!)).to.be.closeTo(
      ratio((id) => truth[id]!),
      0.02,
    );
    const strong = new Map([...colours].map(([id, pigment]) => [id, { ...pigment, strength: learned.get(id)! }]));
    for (const each of all) {
      const { before, after } = howFarOffSeen(each, strong, mixer)!;
      expect(after).to.be.below(0.5).and.below(before);
    }
  });

  it('stays as usual where nothing was said, or of one paint alone', () => {
    expect(learnStrengths([], colours, mixer).size).to.equal(0);
    const alone = seen({ dark: 1 }, { dark: 3 });
    expect(learnStrengths([alone], colours, mixer).size).to.equal(0);
    const same = seen({ dark: 0.5, light: 0.5 }, Object.fromEntries([...colours].map(([id, { hex }]) => [id, usualStrength(hex)])));
    const learned = learnStrengths([same], colours, mixer);
    for (const [id, strength] of learned) expect(strength / usualStrength(colours.get(id)!.hex)).to.be.closeTo(1, 0.03);
    expect(howFarOffSeen({ shares: { gone: 1 }, hex: '#000000' }, colours, mixer)).to.equal(null);
  });
});
