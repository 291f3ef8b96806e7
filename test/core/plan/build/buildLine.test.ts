import { expect } from 'chai';
import { readLineProblem } from '../../../../src/core/formats/lineProblem';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import type { LineProblem } from '../../../../src/core/line/definitions';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { hardRules } from '../../../../src/core/scheme/rules/orderRules';
import { passesOf } from '../../../../src/core/scheme/passes/passes';
import { sharedLegs } from '../../../../src/core/plan/build/sharedLegs';
import { changeoverMinutes, startMinutes, type SetupInfo } from '../../../../src/core/scheme/passes/setups';
import { splitTrays } from '../../../../src/core/scheme/passes/splitTrays';
import { gated } from '../../../../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { planLine } from '../../../support/line';
import { randomOrder } from '../../../support/lineProblems';
import { Random, seeds } from '../../../support/random';
import { ONLY_LEADERS, paint, part, randomUnit, roster, step, unit } from '../../../support/units';

const paints = new Map(
  [paint('red'), paint('blue'), paint('gold', 'metallic'), paint('slow', 'texture', 90)].map((each) => [each.id, each]),
);

/** The totals of an order to the nanosecond: which way round a sum was made does not matter. */
function totalsOf(problem: LineProblem, order: readonly number[]) {
  const { totals } = timeOrder(compileLine(problem), order) as { totals: object };
  return Object.fromEntries(Object.entries(totals).map(([of, minutes]) => [of, Math.round(minutes * 1e9) / 1e9]));
}

describe('building a line', () => {
  it('makes a job for every pass on every tray, two coats as two jobs', () => {
    const coats = step('basecoat', { paint: 'red', coats: 2 });
    const { problem, trays } = buildLine(roster([unit('a', [part('coat', coats)], [], { promised: 12, trayLimit: 6 })], { paints }));
    expect(trays.map((tray) => tray.models)).to.deep.equal([
      [1, 2, 3, 4, 5, 6],
      [7, 8, 9, 10, 11, 12],
    ]);
    expect(problem.jobs.map((job) => job.id)).to.deep.equal([1, 2].flatMap((coat) => [1, 2].map((tray) => `${coats.id}#${coat}@${tray}`)));
    expect(problem.jobs[2]!.after).to.deep.equal([{ job: `${coats.id}#1@1`, scope: 'model' }]);
    expect(readLineProblem(problem)).to.deep.equal(problem);
  });

  it('shares a setup between units that use one paint the same way', () => {
    const units = ['a', 'b'].map((name) => unit(name, [part('coat', step('basecoat', { paint: 'red' }))]));
    const { problem } = buildLine(roster(units, { paints }));
    expect(problem.setups).to.deep.equal([{ id: 'basecoat|red' }]);
  });

  it('leaves painted models out, and jobs and trays that are finished', () => {
    const coat = step('basecoat', { paint: 'red' });
    const edge = step('edge', { paint: 'blue' });
    const done = (key: string) => new Set(key === `${coat.id}#1` ? [1, 2, 3, 4, 5, 6] : [2, 3]);
    const { problem } = buildLine(roster([unit('a', [part('coat', coat, edge)])], { paints, doneModels: done }));
    expect(problem.jobs).to.have.length(1);
    expect(problem.jobs[0]).to.deep.include({ models: [1, 4, 5, 6], after: [] });
    expect(buildLine(roster([unit('a', [part('coat', coat)])], { paints, doneModels: done })).trays).to.deep.equal([]);
  });

  it('plans leaders longer, and steps only for those who take them', () => {
    const all = step('basecoat', { paint: 'red' });
    const badge = step('detail', { paint: 'gold', ...ONLY_LEADERS });
    const { problem } = buildLine(
      roster([unit('a', [part('coat', all), part('badge', badge)], [], { promised: 3, leaders: 1 })], { paints }),
    );
    expect(problem.jobs[0]!.minutesPerModel).to.deep.equal([2 * DEFAULT_HOUSE_RULES.leaderFactor, 2, 2]);
    expect(problem.jobs[1]!.models).to.deep.equal([1]);
  });

  it('takes in only the steps of the standard paid for', () => {
    const eyes = step('eyes', { paint: 'red', standard: 'full' });
    const of = (standard: 'table' | 'full') =>
      buildLine(roster([unit('a', [part('face', eyes)])], { paints, standard })).problem.jobs.length;
    expect([of('table'), of('full')]).to.deep.equal([0, 1]);
  });

  it('lets only the test model on the line while it waits', () => {
    const { jobs } = buildLine(roster([unit('a', [part('coat', step('basecoat'))], [], { testModel: 'waiting' })], { paints }));
    expect(jobs.map((job) => job.models)).to.deep.equal([[1]]);
  });

  it('lets nothing of a unit on the line while the test model waits that speaks for it', () => {
    const jobsOf = (testModel: 'waiting' | 'approved' | 'none') =>
      buildLine(
        roster(
          gated([
            unit('a', [part('coat', step('basecoat'))], [], { testModel, promised: 3 }),
            unit('b', [part('coat', step('basecoat'))], [], { testedBy: 'unit-a', promised: 2 }),
            unit('c', [part('coat', step('basecoat'))], [], { testedBy: 'unit-gone', promised: 1 }),
          ]),
          { paints },
        ),
      ).jobs.map(({ unitName, models }) => [unitName, models.length]);
    const c = ['c', 1];
    expect(jobsOf('waiting')).to.deep.equal([['a', 1], c]);
    for (const state of ['approved', 'none'] as const) expect(jobsOf(state)).to.deep.equal([['a', 3], ['b', 2], c]);
  });

  it('dries by the step, else by the label, else as usual, scaled by the climate', () => {
    const house = { ...DEFAULT_HOUSE_RULES, dryingFactor: 1.5 };
    const dry = (more: object) =>
      buildLine(roster([unit('a', [part('base', step('texture', more))])], { paints, house })).problem.jobs[0]!.dryMinutes;
    expect([dry({ paint: 'red' }), dry({ paint: 'slow' }), dry({ paint: 'slow', dryMinutes: 10 })]).to.deep.equal([90, 135, 15]);
  });

  for (const seed of seeds(80)) {
    it(`loses no rule that could change a time by leaving implied ones out (scheme ${seed})`, () => {
      const { unit: made, paints: its } = randomUnit(seed);
      const built = buildLine(roster([made], { paints: its, standard: 'display', minutesOf: (_unit, pass) => 1 + pass.coat }));
      if (built.jobs.length === 0) return;
      const { hard } = hardRules(made, passesOf(made, 'display', DEFAULT_HOUSE_RULES), its, DEFAULT_HOUSE_RULES);
      const ids = new Set(built.jobs.map((job) => job.id));
      const full: LineProblem = {
        ...built.problem,
        jobs: built.problem.jobs.map((job) => {
          const [key, tray] = job.id.split('@');
          const after = hard.filter((rule) => rule.after === key && ids.has(`${rule.before}@${tray}`));
          return {
            ...job,
            after: after.map((rule) => ({
              job: `${rule.before}@${tray}`,
              scope: rule.scope,
              ...(rule.lagMinutes !== null && { lagMinutes: rule.lagMinutes }),
            })),
          };
        }),
      };
      const random = new Random(seed);
      for (let round = 0; round < 4; round++) {
        const order = randomOrder(full, random);
        expect(totalsOf(built.problem, order)).to.deep.equal(totalsOf(full, order));
      }
    });
  }
});

describe('setups', () => {
  const setup = (technique: SetupInfo['technique'], paintId: string | null): SetupInfo => ({
    id: `${technique}|${paintId}`,
    technique,
    cutsIn: false,
    brush: '',
    paint: paintId === null ? null : paints.get(paintId)!,
  });
  const { paintMinutes, handMinutes, waterMinutes, sprayMinutes, sitDownMinutes } = DEFAULT_HOUSE_RULES;
  const cost = (from: SetupInfo, to: SetupInfo) => changeoverMinutes(from, to, DEFAULT_HOUSE_RULES);

  it('cost nothing to keep', () => expect(cost(setup('edge', 'red'), setup('edge', 'red'))).to.equal(0));
  it('cost a paint when only the paint changes', () => expect(cost(setup('edge', 'red'), setup('edge', 'blue'))).to.equal(paintMinutes));
  it('cost a hand when only the technique changes', () =>
    expect(cost(setup('basecoat', 'red'), setup('edge', 'red'))).to.equal(handMinutes));
  it('cost fresh water after metallics', () => {
    expect(cost(setup('edge', 'gold'), setup('edge', 'red'))).to.equal(paintMinutes + waterMinutes);
    expect(cost(setup('edge', 'red'), setup('edge', 'gold'))).to.equal(paintMinutes);
  });
  it('cost the spray place on the way in and out', () => {
    expect(cost(setup('edge', 'red'), setup('prime', 'blue'))).to.equal(paintMinutes + handMinutes + sprayMinutes);
    expect(startMinutes(setup('prime', 'blue'), DEFAULT_HOUSE_RULES)).to.equal(sitDownMinutes + paintMinutes + sprayMinutes);
  });
});

describe('trays', () => {
  const split = (promised: number, trayLimit: number) =>
    splitTrays(unit('a', [], [], { promised, trayLimit }), DEFAULT_HOUSE_RULES).map((tray) => tray.models.length);
  it('are as few and as even as the limit allows', () => {
    expect(split(20, 10)).to.deep.equal([10, 10]);
    expect(split(20, 7)).to.deep.equal([6, 7, 7]);
    expect(split(5, 10)).to.deep.equal([5]);
  });
});

describe('shared legs', () => {
  it('say which units a setup joins and what that saves at the least', () => {
    const units = ['a', 'b', 'c'].map((name) =>
      unit(name, [part('coat', step('basecoat', { paint: 'red' })), part('cap', step('basecoat', { paint: 'blue' }))]),
    );
    const line = buildLine(roster(units, { paints }));
    const plan = planLine(line.problem, { seed: 1, steps: 500 });
    if (!plan.fits) throw new Error('one endless session holds everything');
    const shared = sharedLegs(line, plan.legs);
    expect(shared.map((leg) => leg.unitNames.length)).to.deep.equal([3, 3]);
    expect(shared[0]).to.include({ savedMinutes: 2 * DEFAULT_HOUSE_RULES.paintMinutes, models: 18 });
  });
});
