import { expect } from 'chai';
import fc from '../../support/property';
import { amountsOfUses, potUses, unitAmounts, type UnitAmounts } from '../../../src/core/paint/amounts';
import { coatMl, DROP_ML, FILMS, PALETTE_ML } from '../../../src/core/paint/films';
import { passesOf } from '../../../src/core/scheme/passes/passes';
import { EMPTY_SCHEME, type Scheme, type Unit } from '../../../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../../../src/core/scheme/model/houseRules';
import { TECHNIQUE_FACTS, TECHNIQUES } from '../../../src/core/scheme/model/techniques';
import { usualPart, usualStep } from '../../../src/core/scheme/authoring/briefScheme';
import { unit as usualUnit } from '../../support/units';
import { anyScheme } from '../../support/anyScheme';

const house = DEFAULT_HOUSE_RULES;

/** Twelve foot figures with a base coat of Sea over a third, and two mixes over it, the second made of the first. */
function lifted(more: Partial<Scheme> = {}): Unit {
  const scheme: Scheme = {
    ...EMPTY_SCHEME,
    mixes: [
      { id: 'one', name: 'Lifted', of: [{ paint: 'sea', parts: 3 }, { paint: 'foam', parts: 1 }], thin: { with: 'water', parts: 2 } }, // prettier-ignore
      { id: 'two', name: 'Lifted again', of: [{ mix: 'one', parts: 1 }, { paint: 'foam', parts: 1 }], thin: null }, // prettier-ignore
    ],
    parts: [
      usualPart('coat', 'Coat', [
        { ...usualStep('base', 'basecoat', null, 0.4), paint: 'sea' },
        { ...usualStep('first', 'layer', null, 0.2), mix: 'one' },
        { ...usualStep('second', 'edge', null, 0.1), mix: 'two' },
      ]),
    ],
    ...more,
  };
  return { ...usualUnit('Keepers', []), promised: 12, scheme };
}

describe('how much paint is needed', () => {
  it('is surface times film for every model, by hand', () => {
    const { paints, mixes } = unitAmounts(lifted(), 'full', house);
    // 30 cm2 x 0.1 x 15 um / 0.6 for 12 models, and 0.1 ml on the palette; of drops of two parts, 1.15 times as much.
    const two = (30 * 0.1 * 0.0015) / 0.6 * 12 + 0.1; // prettier-ignore
    const twoTimes = Math.ceil((1.15 * two) / (2 * 0.05));
    const one = (30 * 0.2 * 0.0025) / 0.7 * 12 + 0.1 + twoTimes * 0.05; // prettier-ignore
    const oneTimes = Math.ceil((1.15 * one) / (6 * 0.05));
    expect(mixes.map(({ mix, times }) => [mix.id, times])).to.deep.equal([['one', oneTimes], ['two', twoTimes]]); // prettier-ignore
    expect(mixes[0]!.needMl).to.be.closeTo(one, 1e-9);
    expect(mixes[1]!.needMl).to.be.closeTo(two, 1e-9);
    expect(paints.get('foam')).to.be.closeTo((oneTimes + twoTimes) * 0.05, 1e-9);
    expect(paints.get('sea')).to.be.closeTo((30 * 0.4 * 0.005) / 0.75 * 12 + 0.1 + 3 * oneTimes * 0.05, 1e-9); // prettier-ignore
  });

  it('is that of the models that do not have it yet, and nothing when all do', () => {
    const half = unitAmounts(lifted(), 'full', house, (key, model) => key === 'base#1' && model <= 6);
    const whole = unitAmounts(lifted(), 'full', house);
    const base = (of: UnitAmounts) => of.uses.find(({ passKey }) => passKey === 'base#1')!;
    expect(base(half).ml).to.be.closeTo(base(whole).ml / 2, 1e-9);
    expect(base(half).models).to.deep.equal([7, 8, 9, 10, 11, 12]);
    const none = unitAmounts(lifted(), 'full', house, () => true);
    expect([none.uses.length, none.paints.size, none.mixes.length]).to.deep.equal([0, 0, 0]);
  });

  it('mixes whole drops of half parts, once for two mixes of one recipe', () => {
    const of = [{ paint: 'sea', parts: 1.5 }, { paint: 'foam', parts: 1 }]; // prettier-ignore
    const twins = [{ id: 'one', name: 'One', of, thin: null }, { id: 'two', name: 'Two', of: [...of].reverse(), thin: null }]; // prettier-ignore
    const { mixes } = unitAmounts(lifted({ mixes: twins }), 'full', house);
    expect(mixes.map(({ drops, models }) => [drops.toSorted(), models.length])).to.deep.equal([[[2, 3], 12]]);
  });

  it('adds up: what is taken is what is made, over any scheme', () => {
    fc.assert(
      fc.property(anyScheme(), ({ scheme, models }) => {
        const unit = { ...usualUnit('Any', []), promised: models, scheme };
        const uses = potUses(unit, passesOf(unit, 'display', house), () => false);
        const { paints, mixes } = amountsOfUses(unit, uses);
        const used = uses.reduce((sum, { ml, paletteMl }) => sum + ml + paletteMl, 0);
        const water = mixes.reduce((sum, { mix, drops, times }) => sum + (mix.thin ? drops.at(-1)! * times * DROP_ML : 0), 0);
        // What a mix takes of another is needed there, not made anew.
        const left = mixes.reduce((sum, { madeMl, needMl }) => sum + madeMl - needMl, 0);
        const out = [...paints.values()].reduce((sum, ml) => sum + ml, 0);
        expect(out + water).to.be.closeTo(used + left, 1e-6 * (1 + used));
        for (const { madeMl, needMl, drops, times } of mixes) {
          expect(madeMl).to.be.at.least(1.15 * needMl - 1e-9);
          expect(madeMl - drops.reduce((sum, each) => sum + each) * DROP_ML).to.be.below(1.15 * needMl);
          expect(times).to.be.at.least(1);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('grows with what pots have taught of its kind alone', () => {
    const usual = unitAmounts(lifted(), 'full', house);
    const taught = unitAmounts(lifted(), 'full', house, undefined, { brushed: 2 });
    for (const [at, use] of taught.uses.entries())
      expect(use.ml).to.be.closeTo(usual.uses[at]!.ml * (use.kind === 'brushed' ? 2 : 1), 1e-9);
    expect(coatMl('clean', 100)).to.equal(0);
    expect(PALETTE_ML).to.equal(0.1);
  });

  it('is known for every technique that takes paint, with its reason', () => {
    for (const technique of TECHNIQUES) {
      const film = FILMS[technique];
      if (film === null) continue;
      // A sealer is a pot of the shelf only where the painter says so.
      expect(TECHNIQUE_FACTS[technique].usesPaint || technique === 'seal', technique).to.equal(true);
      expect(film.reason, technique).to.match(/\w{3}/);
    }
  });
});
