import { expect } from 'chai';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { orderRules } from '../../../../src/core/scheme/rules/orderRules';
import { passesOf } from '../../../../src/core/scheme/passes/passes';
import { rulesWork } from '../../../../src/core/scheme/rules/rulesWork';
import { strayPairs } from '../../../../src/core/scheme/rules/strays';
import { factorsOf, strayFactors, tallyStrays, type PaintedUnit } from '../../../../src/core/time/learn/strayFactors';
import { paint, part, step, unit } from '../../../support/units';

const pots = new Map([paint('red'), paint('grey')].map((each) => [each.id, each]));
const its = unit(
  'Keepers',
  [
    part('Coat', step('basecoat', { id: 'coat', paint: 'grey' }), step('drybrush', { id: 'dust', paint: 'grey', coverage: 0.2 })),
    part('Belt', step('detail', { id: 'belt', paint: 'red' })),
  ],
  [],
  { promised: 10 },
);
const passes = passesOf(its, 'table', DEFAULT_HOUSE_RULES);
const pairs = [...strayPairs(rulesWork(its, passes, pots, DEFAULT_HOUSE_RULES))];
const MODELS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
const HALF = pairs.find(({ by, marred }) => by.step.id === 'dust' && marred.step.id === 'belt')!.share;

/** The belt is painted before the coat is dry brushed, and touched up on so many models; another touch-up was logged long before. */
function painted(repaired: number, more: Partial<PaintedUnit> = {}): PaintedUnit {
  const all = (at: number) => new Map(MODELS.map((model) => [model, at]));
  return {
    pairs,
    painted: new Map([
      ['coat#1', all(100)],
      ['belt#1', all(200)],
      ['dust#1', all(300)],
    ]),
    repairs: MODELS.slice(0, repaired).map((model) => ({ passKey: 'belt#1', model, at: 400 })),
    isDone: true,
    minutesOf: () => 1,
    repairMinutesOf: () => 0.5,
    ...more,
  };
}

/** Where the first touch-up of all was logged, before anything else was painted. */
const FIRST = painted(0, { painted: new Map(), repairs: [{ passKey: 'other#1', model: 1, at: 50 }] });

describe('how far work strays', () => {
  it('is tallied by hand: ten belts, half of each dusted, so many painted again', () => {
    expect(HALF).to.be.closeTo(0.5, 1e-9);
    // A minute of belt and 0.3 to find it again, half of it, ten times.
    expect(tallyStrays([FIRST, painted(4)]).get('drybrush')).to.deep.equal({ expected: 10 * 0.5 * 1.3, logged: 4 * 0.5, repairs: 4 });
  });

  it('says nothing while nothing was touched up, nor of what came before the first touch-up', () => {
    expect(tallyStrays([painted(0)]).size).to.equal(0);
    expect(strayFactors(new Map())).to.deep.equal({});
    expect(strayFactors(tallyStrays([painted(4)]))).to.deep.equal({});
  });

  it('counts a unit that needed none when it is done, and not while it is in hand', () => {
    expect(tallyStrays([FIRST, painted(0)]).get('drybrush'))
      .to.include({ logged: 0, repairs: 0 })
      .and.to.have.property('expected', 6.5);
    expect(tallyStrays([FIRST, painted(0, { isDone: false })]).size).to.equal(0);
    // Up to its last touch-up it is known what needed one.
    expect(tallyStrays([FIRST, painted(1, { isDone: false })]).get('drybrush')).to.include({ expected: 6.5, repairs: 1 });
  });

  it('takes what was painted in the other order for no sign of it', () => {
    const early = painted(1);
    const dustFirst = new Map([...early.painted, ['dust#1', new Map(MODELS.map((model) => [model, 150]))]]);
    expect(tallyStrays([FIRST, { ...early, painted: dustFirst }]).has('drybrush')).to.equal(false);
  });

  it('stays at what is assumed where touch-ups say so, and moves no further than they are many', () => {
    const factor = (expected: number, logged: number, repairs: number) =>
      strayFactors(new Map([['drybrush', { expected, logged, repairs }]])).drybrush!.factor;
    expect(factor(10, 10, 20)).to.equal(1);
    // The mode by hand: k - e exp(x) - 4x = 0 at k = 20, e = 10.
    const x = Math.log(factor(10, 20, 20));
    expect(20 - 10 * Math.exp(x) - 4 * x).to.be.closeTo(0, 0.15);
    expect(factor(1, 2, 2)).to.be.within(1.05, factor(10, 20, 20));
    expect(factor(100, 200, 200)).to.be.within(factor(10, 20, 20), 2);
    expect(factor(10, 5, 10)).to.be.lessThan(1);
  });

  it('finds the factor that made the touch-ups', () => {
    for (const truth of [0.5, 1, 1.6]) {
      const repaired = 60 * truth;
      const units = Array.from({ length: 12 }, (_, index) => {
        const its = Math.floor(((index + 1) * repaired) / 12) - Math.floor((index * repaired) / 12);
        // Each costs what half a belt costs, so that ten belts dusted should cost ten of them.
        return painted(its, { repairMinutesOf: () => 1.3 });
      });
      const { factor } = strayFactors(tallyStrays([FIRST, ...units])).drybrush!;
      expect(factor / truth).to.be.within(0.85, 1.15);
    }
  });

  it('weighs orders anew, and leaves other techniques as they are', () => {
    const price = (strays?: { [technique: string]: number }) =>
      orderRules(its, passes, pots, { ...DEFAULT_HOUSE_RULES, ...(strays && { strays }) }, () => 1).soft.find(
        ({ first, then, kind }) => kind === 'touch-up' && first === 'dust#1' && then === 'belt#1',
      )!.minutesPerModel;
    const plain = price();
    const learned = factorsOf({ drybrush: { factor: 0.5, repairs: 3 } });
    expect(price(learned)).to.be.closeTo(plain - (HALF / 2) * 1.3, 1e-9);
    expect(price(factorsOf({ wash: { factor: 3, repairs: 3 } }))).to.equal(plain);
  });
});
