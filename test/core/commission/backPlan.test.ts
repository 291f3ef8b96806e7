import { expect } from 'chai';
import { backPlan, type BackPlanInput } from '../../../src/core/commission/backPlan';

const totals = (['quick', 'table', 'full', 'display'] as const).map((standard, index) => ({
  standard,
  handsOn: 300 * (index + 1),
  likely: 400 * (index + 1),
  safe: 450 * (index + 1),
}));
const input = (sessionMinutes: number, queuedMinutes = 0): BackPlanInput => ({
  sessionMinutes,
  queuedMinutes,
  left: totals,
  paidFor: 'table',
  units: [
    { unitId: 'a', name: 'Keepers', models: 10, handsOnLeft: 400 },
    { unitId: 'b', name: 'Cutters', models: 20, handsOnLeft: 200 },
  ],
  sessionLength: 150,
});

describe('planning back from a date', () => {
  it('says which standards fit, and what a model can have', () => {
    const plan = backPlan(input(1350));
    expect(plan.standing).to.equal('safe');
    expect(plan.fits.map(({ standing }) => standing)).to.deep.equal(['safe', 'safe', 'safe', 'short']);
    // 900 is safe, 300 of it not in the hand: 1050 minutes for hands that need 600.
    expect(plan.perModel[0]).to.include({ needed: 40, minutes: 70 });
    expect(plan.gives).to.deep.equal([]);
  });

  it('leaves out what the bench does before', () => {
    expect(backPlan(input(1350, 500)).standing).to.equal('likely');
    expect(backPlan(input(1350, 2000)).availableMinutes).to.equal(0);
  });

  it('says on the first day what would have to give', () => {
    const plan = backPlan(input(600));
    expect(plan).to.include({ standing: 'short', shortMinutes: 300 });
    expect(plan.gives).to.deep.equal([
      { kind: 'sessions', sessions: 2 },
      { kind: 'standard', standard: 'quick', savedMinutes: 400 },
      { kind: 'models', share: 0.5 },
    ]);
  });

  it('offers nothing that would not help', () => {
    const plan = backPlan({ ...input(100), sessionLength: 0 });
    expect(plan.gives).to.deep.equal([]);
    expect(plan.perModel.every(({ minutes }) => minutes === 0)).to.equal(true);
  });
});
