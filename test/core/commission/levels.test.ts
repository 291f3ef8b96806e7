import { expect } from 'chai';
import { levelCosts } from '../../../src/core/commission/levels';
import { levelBudgets } from '../../../src/core/money/modelBudget';
import { withLevel } from '../../../src/core/scheme/authoring/edits';
import { EMPTY_SCHEME } from '../../../src/core/scheme/model/definitions';

const SEVEN = [120, 15, 30, 45, 60, 90, 180].map((minutes) => ({ name: `${minutes} min`, minutes }));

describe('levels by minutes', () => {
  it('are the whole squad at each, in order, with the standard that each holds', () => {
    const planned = [
      { standard: 'quick' as const, minutes: 600 },
      { standard: 'table' as const, minutes: 1350 },
      { standard: 'full' as const, minutes: 2700 },
      { standard: 'display' as const, minutes: 4000 },
    ];
    const costs = levelCosts(SEVEN, 30, planned, 2400);
    expect(costs.map(({ level, unitMinutes, priceMinor, holds }) => [level.minutes, unitMinutes / 60, priceMinor, holds])).to.deep.equal([
      [15, 7.5, 18_000, null],
      [30, 15, 36_000, 'quick'],
      [45, 22.5, 54_000, 'table'],
      [60, 30, 72_000, 'table'],
      // At 90 minutes this squad is 45 hours.
      [90, 45, 108_000, 'full'],
      [120, 60, 144_000, 'full'],
      [180, 90, 216_000, 'display'],
    ]);
  });

  it('are counted against at the bench, for each model', () => {
    const unit = { unitId: 'u', models: 10, took: 400, left: 200 };
    expect(
      levelBudgets([
        { ...unit, level: SEVEN[3]! },
        { ...unit, level: null },
        { ...unit, level: SEVEN[0]!, models: 0 },
      ]),
    ).to.deep.equal([{ unitId: 'u', level: '45 min', models: 10, budget: 45, spent: 40, needed: 20 }]);
  });

  it('are taken and given back', () => {
    const at = withLevel(EMPTY_SCHEME, SEVEN[0]!);
    expect(at.level).to.equal(SEVEN[0]);
    expect(withLevel(at, null)).to.deep.equal(EMPTY_SCHEME);
  });
});
