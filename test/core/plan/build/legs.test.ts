import { expect } from 'chai';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { planOrder } from '../../../../src/core/line/search/planOrder';
import { legsOf, stagesOf } from '../../../../src/core/plan/build/legs';
import { smallLine } from '../../../support/line';

const { picture, plan } = smallLine();

describe('the legs of a plan', () => {
  it('hold all jobs in their order, each under its setup', () => {
    const legs = legsOf(picture, plan);
    expect(legs.flatMap((leg) => leg.jobs.map((job) => job.id))).to.deep.equal(plan.order);
    for (const leg of legs) {
      expect(new Set(leg.jobs.map((job) => job.setupId))).to.deep.equal(new Set([leg.setup.id]));
      expect(leg.jobs[0]!.id).to.equal(plan.order[leg.first]);
    }
  });

  it('read as stages of the work, in their order', () => {
    const legs = legsOf(picture, plan);
    const stages = stagesOf(legs);
    expect(stages.map(({ stage }) => stage)).to.deep.equal(['prime', 'base']);
    expect(stages.flatMap((each) => each.legs)).to.deep.equal(legs);
    // What is gone back to is a stage of its own.
    const back = (['base', 'shade', 'shade', 'base'] as const).map((stage) => ({ stage }));
    expect(stagesOf(back).map(({ stage, legs: of }) => [stage, of.length])).to.deep.equal([
      ['base', 1],
      ['shade', 2],
      ['base', 1],
    ]);
  });

  it('take as long as the whole line takes at the bench, nights not counted', () => {
    const sum = (of: { minutes: number }[]) => of.reduce((minutes, leg) => minutes + leg.minutes, 0);
    expect(sum(legsOf(picture, plan))).to.be.closeTo(plan.bench - plan.touchUp, 1e-6);
    const sessions = Array.from({ length: 30 }, (_, day) => ({ from: day * 1440, to: day * 1440 + 25 }));
    const order = plan.order.map((id) => picture.jobs.findIndex((job) => job.id === id));
    const nightly = planOrder(compileLine({ ...picture.problem, sessions }), order);
    if (!nightly.fits) throw new Error('the sessions are too short for this test');
    expect(nightly.finish).to.be.greaterThan(1440);
    expect(sum(legsOf(picture, nightly))).to.be.closeTo(nightly.bench - nightly.touchUp, 1e-6);
  });
});
