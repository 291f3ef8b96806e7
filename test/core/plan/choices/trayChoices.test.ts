import { expect } from 'chai';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { planOrder } from '../../../../src/core/line/search/planOrder';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { dryingNeeds } from '../../../../src/core/plan/build/dryingNeeds';
import {
  isWithin,
  sameSplit,
  sweetSpot,
  trayLimits,
  traySizes,
  tryTrays,
  type TrayChoice,
} from '../../../../src/core/plan/choices/trayChoices';
import { ONLY_LEADERS, paint, part, randomUnit, roster, step, unit } from '../../../support/units';
import { seeds } from '../../../support/random';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const OPTIONS = { seed: 1, steps: 3_000 };

/** Twenty models with a shirt in two coats and a hood. */
const cutters = () =>
  unit(
    'Cutters',
    [part('shirt', step('basecoat', { paint: 'red', coats: 2 })), part('hood', step('basecoat', { paint: 'blue' }))],
    [step('prime')],
    { promised: 20 },
  );

describe('the splits of a unit', () => {
  it('are those that differ, largest first', () => {
    expect(trayLimits(20, 20, 10)).to.deep.equal([20, 10, 7, 5, 4, 3, 2, 1]);
    expect(trayLimits(1, 20, 10)).to.deep.equal([1]);
  });

  it('leave out what no holder takes, but not the one there is', () => {
    expect(trayLimits(20, 8, 8)).to.deep.equal([7, 5, 4, 3, 2, 1]);
    expect(trayLimits(20, 8, 20)).to.deep.equal([20, 7, 5, 4, 3, 2, 1]);
  });

  it('do not go into hundreds of trays', () => {
    expect(trayLimits(1000, 1000, 100).at(-1)).to.equal(25);
  });

  it('know limits that split alike', () => {
    for (let limit = 1; limit <= 25; limit++) {
      const same = sameSplit(20, limit);
      expect(traySizes(cutters(), same, DEFAULT_HOUSE_RULES)).to.deep.equal(traySizes(cutters(), limit, DEFAULT_HOUSE_RULES));
      expect(Math.max(...traySizes(cutters(), limit, DEFAULT_HOUSE_RULES))).to.equal(same);
    }
  });
});

describe('trying splits with the engine', () => {
  const others = unit('Keepers', [part('shirt', step('basecoat', { paint: 'red' }))], [], { promised: 6 });
  const both = roster([cutters(), others], { paints });
  const choices = [...tryTrays(both, 'unit-Cutters', [20, 10, 5], 'alone', OPTIONS)];

  it('gives total, waiting and the longest stretch of each', () => {
    expect(choices.map((choice) => choice.trays)).to.deep.equal([[20], [10, 10], [5, 5, 5, 5]]);
    // Two minutes a model, four passes over twenty models; priming is as long as any other pass.
    expect(choices.map((choice) => choice.stretch.minutes)).to.deep.equal([40, 20, 10]);
    for (const { totals } of choices) {
      expect(totals.handsOn).to.equal(4 * 20 * 2);
      expect(totals.bench).to.be.closeTo(totals.handsOn + totals.changeover + totals.wait + totals.touchUp, 1e-6);
    }
  });

  it('finds a finer split better for as long as it saves waiting, and worse once only the fetching grows', () => {
    const totals = choices.map((choice) => choice.totals.bench);
    expect(totals[1]).to.be.lessThan(totals[0]!);
    expect(totals[2]).to.be.greaterThan(totals[1]!);
    const free = { ...both, house: { ...both.house, fetchMinutes: 0 } };
    const unfetched = [...tryTrays(free, 'unit-Cutters', [20, 10, 5], 'alone', OPTIONS)].map((choice) => choice.totals.bench);
    expect(unfetched, 'fetching costs nothing').to.deep.equal(unfetched.toSorted((a, b) => b - a));
  });

  it('is the same twice', () => {
    expect([...tryTrays(both, 'unit-Cutters', [20, 10, 5], 'alone', OPTIONS)]).to.deep.equal(choices);
  });

  it('counts the other units within the whole line', () => {
    const [whole] = tryTrays(both, 'unit-Cutters', [20], 'whole line', OPTIONS);
    expect(whole!.totals.handsOn).to.equal(4 * 20 * 2 + 6 * 2);
    expect(whole!.stretch.job.unitId).to.equal('unit-Cutters');
  });

  it('takes a waiting test model for approved, and says nothing of a unit that is done', () => {
    const waiting = roster([{ ...cutters(), testModel: 'waiting' }], { paints });
    expect([...tryTrays(waiting, 'unit-Cutters', [10], 'alone', OPTIONS)][0]!.trays).to.deep.equal([10, 10]);
    const done = roster([cutters()], { paints, doneModels: () => new Set(Array.from({ length: 20 }, (_, index) => index + 1)) });
    expect([...tryTrays(done, 'unit-Cutters', [20, 10], 'alone', OPTIONS)]).to.deep.equal([]);
  });

  for (const seed of seeds(25))
    it(`takes any scheme, leaders and painted models among them, seed ${seed}`, () => {
      const { unit: any, paints: its } = randomUnit(seed);
      const some = roster([any], { paints: its, doneModels: (pass) => new Set(pass.length % 3 === 0 ? [1, 3] : []) });
      const limits = trayLimits(any.promised, 20, any.trayLimit);
      const found = [...tryTrays(some, any.id, limits, 'alone', { seed, steps: 300 })];
      expect(found.length).to.be.oneOf([0, limits.length]);
      for (const choice of found) expect(choice.stretch.minutes).to.be.at.most(choice.totals.handsOn + 1e-6);
    });
});

describe('the sweet spot', () => {
  const [sample] = tryTrays(roster([cutters()], { paints }), 'unit-Cutters', [20], 'alone', { seed: 1, steps: 50 });
  const choice = (limit: number, bench: number, stretch: number): TrayChoice => ({
    ...sample!,
    limit,
    totals: { ...sample!.totals, bench },
    stretch: { ...sample!.stretch, minutes: stretch },
  });
  const spot = (stretch: number, ...choices: TrayChoice[]) => sweetSpot(choices, stretch)?.limit;

  it('is the least total within the stretch of House rules', () => {
    expect(spot(45, choice(20, 200, 60), choice(10, 210, 30), choice(5, 230, 15))).to.equal(10);
    expect(spot(90, choice(20, 200, 60), choice(10, 210, 30))).to.equal(20);
  });

  it('is the least total however little it is less, and the largest tray among equals', () => {
    expect(spot(45, choice(10, 200.1, 30), choice(5, 200, 15))).to.equal(5);
    expect(spot(45, choice(10, 200, 30), choice(5, 200, 15))).to.equal(10);
  });

  it('comes nearest to the stretch when none keeps it', () => {
    expect(spot(5, choice(20, 200, 60), choice(10, 210, 30), choice(5, 230, 15))).to.equal(5);
    expect(spot(5)).to.equal(undefined);
  });

  it('takes a stretch that is shown as the limit for within it', () => {
    expect(isWithin(choice(10, 200, 45.4), 45)).to.equal(true);
    expect(isWithin(choice(10, 200, 45.6), 45)).to.equal(false);
  });
});

describe('the smallest tray without waiting', () => {
  it('is (drying - set-up) / minutes per model + 1', () => {
    const [need] = dryingNeeds(roster([cutters()], { paints, minutesOf: () => 1.3 }), 'unit-Cutters').filter(({ next }) => next.coat === 2);
    expect(need).to.include({ dryMinutes: 15, minutesPerModel: 1.3, changeoverMinutes: 0, models: Math.ceil(15 / 1.3) + 1 });
  });

  it('is what the timing of the line says: one model less and the painter waits', () => {
    for (const minutes of [0.7, 1, 1.5, 2, 3]) {
      const coats = unit('Coats', [part('shirt', step('basecoat', { paint: 'red', coats: 2 }))], [], { promised: 60 });
      const { models } = dryingNeeds(roster([coats], { paints, minutesOf: () => minutes }), coats.id)[0]!;
      const waitOf = (promised: number) => {
        const { problem } = buildLine(roster([{ ...coats, promised, trayLimit: promised }], { paints, minutesOf: () => minutes }));
        const plan = planOrder(compileLine(problem), [0, 1]);
        return plan.fits ? plan.wait : Infinity;
      };
      expect(waitOf(models!), `${minutes} min a model`).to.be.closeTo(0, 1e-9);
      expect(waitOf(models! - 1), `${minutes} min a model, one less`).to.be.greaterThan(0);
    }
  });

  it('asks for the larger trays first, knows what no tray can help, and leaves out passes on some models', () => {
    const mixed = unit(
      'Mixed',
      [
        part(
          'shirt',
          step('basecoat', { paint: 'red' }),
          step('wash', { paint: 'blue' }),
          step('detail', { paint: 'red', ...ONLY_LEADERS }),
        ),
      ],
      [step('prime'), step('varnish')],
      { promised: 12, leaders: 2 },
    );
    const needs = dryingNeeds(roster([mixed], { paints }), mixed.id);
    const sizes = needs.map(({ models }) => models ?? 0);
    expect(sizes).to.deep.equal(sizes.toSorted((a, b) => b - a));
    expect(needs.every(({ job, next }) => job.models.length === 12 && next.models.length === 12)).to.equal(true);
    for (const { models, dryMinutes, changeoverMinutes, minutesPerModel } of needs)
      if (models !== null) expect((models - 1) * minutesPerModel + changeoverMinutes).to.be.at.least(dryMinutes - 1e-6);
  });

  it('does not shrink with what is painted already', () => {
    const half = (done: number[]) =>
      dryingNeeds(roster([cutters()], { paints, doneModels: () => new Set(done) }), 'unit-Cutters').map(({ models }) => models);
    expect(half([1, 2, 3, 4, 5])).to.deep.equal(half([]));
  });
});
