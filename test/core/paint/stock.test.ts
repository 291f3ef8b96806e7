import { expect } from 'chai';
import fc from '../../support/property';
import { toBuy } from '../../../src/core/paint/buying';
import { unitAmounts } from '../../../src/core/paint/amounts';
import { alongThePlan, type PlannedJob } from '../../../src/core/paint/stock';
import { leftNow, UNKNOWN_POT, type PaintUsed, type PotLevel, type ShelfPaint } from '../../../src/core/paint/shelf';
import { passesOf } from '../../../src/core/scheme/passes/passes';
import { DEFAULT_HOUSE_RULES } from '../../../src/core/scheme/model/houseRules';
import { paint, unit as usualUnit } from '../../support/units';
import { anyScheme } from '../../support/anyScheme';

const house = DEFAULT_HOUSE_RULES;

/** Every coat of a unit as one job a pot, in the order entered. */
const jobsOf = (unit: Parameters<typeof unitAmounts>[0]): PlannedJob[] =>
  passesOf(unit, 'display', house).flatMap((pass) =>
    pass.dips.map(({ potId, models }, index) => ({ unitId: unit.id, passKey: pass.key, potId, models, at: index * 60_000 })),
  );

describe('paint along the plan', () => {
  it('takes what the units need, no more and no less, and runs dry exactly where the sum passes what is left', () => {
    fc.assert(
      fc.property(anyScheme(), fc.double({ min: 0.05, max: 1.2, noNaN: true }), ({ scheme, models }, share) => {
        const unit = { ...usualUnit('Any', []), promised: models, scheme };
        const amounts = unitAmounts(unit, 'display', house);
        const jobs = jobsOf(unit);
        const units = new Map([[unit.id, amounts]]);
        const left = new Map([...amounts.paints].map(([id, ml]) => [id, ml * share]));
        const needs = alongThePlan(units, jobs, left);
        expect([...needs.keys()].sort()).to.deep.equal([...amounts.paints.keys()].sort());
        for (const [id, need] of needs) {
          expect(need.needMl).to.equal(amounts.paints.get(id));
          expect(need.dry !== null, `${share}`).to.equal(share < 1 - 1e-9 && need.needMl > 1e-5);
          if (need.dry?.job == null) continue;
          // With a little more than was taken until then, it runs dry later or not at all.
          const later = alongThePlan(units, jobs, new Map([...left, [id, need.needMl + 0.01]])).get(id)!;
          expect(later.dry).to.equal(null);
          expect(need.first).to.be.at.most(need.dry.job);
        }
      }),
      { numRuns: 80 },
    );
  });

  it('counts work that stands on no plan yet, and knows nothing of pots that were not read', () => {
    const unit = { ...usualUnit('Any', []), scheme: fc.sample(anyScheme(), { seed: 7, numRuns: 1 })[0]!.scheme };
    const amounts = unitAmounts(unit, 'display', house);
    const units = new Map([[unit.id, amounts]]);
    for (const [, need] of alongThePlan(units, [], new Map())) expect([need.dry, need.first]).to.deep.equal([null, null]);
    const empty = new Map([...amounts.paints.keys()].map((id) => [id, 0]));
    for (const [, need] of alongThePlan(units, [], empty)) expect(need.dry).to.deep.equal({ job: null, at: null });
  });

  it('is what to buy, the soonest first, in whole pots', () => {
    const shelf = [
      { ...paint('sea'), ...UNKNOWN_POT, revision: 1, volumeMl: 18, priceMinor: 340 },
      { ...paint('foam'), ...UNKNOWN_POT, revision: 1 },
      { ...paint('rust'), ...UNKNOWN_POT, revision: 1, discontinued: true },
    ] as ShelfPaint[];
    const need = { needMl: 40, leftMl: 2, isDry: true };
    const list = toBuy(
      [
        { ...need, paintId: 'foam', dryAt: null },
        { ...need, paintId: 'sea', dryAt: 200 },
        { ...need, paintId: 'rust', dryAt: 100 },
        { ...need, paintId: 'sea', isDry: false, dryAt: null },
        { ...need, paintId: 'gone', dryAt: 1 },
      ],
      shelf,
    );
    expect(list.map(({ paintId, pots, priceMinor, by }) => [paintId, pots, priceMinor, by])).to.deep.equal([
      ['rust', null, null, 100],
      ['sea', 3, 1020, 200],
      ['foam', null, null, null],
    ]);
  });
});

describe('what is left in a pot', () => {
  const level = (ml: number, minute: number): PotLevel => ({
    id: `level ${minute}`,
    paintId: 'sea',
    at: new Date(minute * 60_000).toISOString(),
    ml,
    byEye: false,
  });
  const use = (ml: number, minute: number, kind: PaintUsed['kind'] = 'brushed'): PaintUsed => ({
    paintId: 'sea',
    at: minute * 60_000,
    ml,
    kind,
  });

  it('is what was read last, less what was painted since, by what was learned', () => {
    const used = [use(5, 1), use(2, 20), use(0.5, 20, null), use(1, 30, 'dry')];
    expect(leftNow([level(10, 10), level(18, 0)], used, { brushed: 1.5 }).get('sea')).to.be.closeTo(10 - 3 - 0.5 - 1, 1e-9);
    expect(leftNow([level(1, 10)], used, {}).get('sea')).to.equal(0);
    expect(leftNow([], used, {}).size).to.equal(0);
  });
});
