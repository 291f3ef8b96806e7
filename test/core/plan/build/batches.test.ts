import { expect } from 'chai';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { inAllTurns, inTurn, withoutTurns } from '../../../../src/core/line/problem/turns';
import { wishesKept, wishMinutes } from '../../../../src/core/line/problem/wishes';
import { fixedStrategies } from '../../../../src/core/line/search/strategies';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { BATCHES, DEFAULT_HOUSE_RULES, type Batches } from '../../../../src/core/scheme/model/houseRules';
import { eveningsOf, longestRuns, staminaWish } from '../../../../src/core/plan/build/stamina';
import { isNearlyDone } from '../../../../src/core/plan/build/unitsInTurn';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const scheme = (name: string) => [
  part('shirt', step('basecoat', { id: `${name}-shirt`, paint: 'red' })),
  part('hood', step('basecoat', { id: `${name}-hood`, paint: 'blue' })),
];
const units = ['Keepers', 'Cutters', 'Couriers'].map((name) => unit(name, scheme(name), [], { promised: 4 }));
const doneModels = (key: string): ReadonlySet<number> =>
  new Set(key.startsWith('Cutters-shirt') ? [1, 2, 3, 4] : key.startsWith('Cutters-hood') ? [1] : []);
const batched = (batches: Batches) => roster(units, { paints, doneModels, house: { ...DEFAULT_HOUSE_RULES, batches } });

/** Units in the order in which the best order found begins with them, and how often it changes between them. */
function walk(batches: Batches) {
  const built = buildLine(batched(batches));
  const { order } = solveLine(compileLine(built.problem), { seed: 1, steps: 3000 });
  const names = Array.from(order, (job) => built.jobs[job]!.unitName);
  return { units: [...new Set(names)], changes: names.filter((name, at) => at > 0 && name !== names[at - 1]).length, built };
}

describe('batches of several units', () => {
  it('finish one unit before the next, as entered', () => {
    const { units: names, changes, built } = walk('one unit at a time');
    expect(names).to.deep.equal(['Keepers', 'Cutters', 'Couriers']);
    expect(changes).to.equal(2);
    expect(built.reasons.some(({ reason }) => reason.includes('batches'))).to.equal(true);
  });

  it('finish first what is nearly done, and the others together', () => {
    const { units: names } = walk('finish what is nearly done first');
    expect(names[0]).to.equal('Cutters');
    expect(
      units.map((each) =>
        isNearlyDone(
          batched('across units').units.find(({ id }) => id === each.id)!,
          batched('across units'),
        ),
      ),
    ).to.deep.equal([false, true, false]);
  });

  it('share every pot across units when nothing holds them apart', () => {
    expect(buildLine(batched('across units')).turns).to.deep.equal([]);
    expect(walk('across units').built.problem.jobs.every(({ after }) => after.length <= 1)).to.equal(true);
  });

  it('are compared on the same numbers, whichever is the painter’s', () => {
    for (const batches of BATCHES) {
      const { problem, trays, turns } = buildLine(batched(batches));
      const unitOf = new Map(trays.map((tray) => [tray.id, tray.unitId]));
      const ways = fixedStrategies(problem, { unitOfTray: (tray) => unitOf.get(tray)!, nearlyDone: ['unit-Cutters'], turns });
      const ids = ways.map(({ id }) => id);
      expect(ids).to.include.members(['one-model', 'entered', 'unit-by-unit', 'nearly-done']);
      expect(ids.includes('across-units')).to.equal(batches !== 'across units');
      const handsOn = ways.map(({ totals }) => totals!.handsOn);
      expect(Math.max(...handsOn) - Math.min(...handsOn)).to.be.lessThan(1e-9);
    }
  });

  it('can be taken apart again', () => {
    for (const batches of BATCHES) {
      const { problem, turns } = buildLine(batched(batches));
      const free = withoutTurns(
        problem.jobs,
        turns.flatMap(({ waits }) => waits),
      );
      expect(free).to.deep.equal(buildLine(batched('across units')).problem.jobs);
      expect(
        inAllTurns(
          free,
          turns.map((rule) => rule.turns),
        ),
      ).to.deep.equal(problem.jobs);
    }
  });

  it('wait once for a job that they wait for anyway', () => {
    const job = (id: string, ...after: string[]) => ({
      id,
      tray: 't',
      setup: 's',
      minutesPerModel: 1,
      dryMinutes: 0,
      after: after.map((other) => ({ job: other, scope: 'tray' as const })),
    });
    const { jobs, waits } = inTurn([job('a'), job('b', 'a'), job('c', 'b'), job('d', 'c'), job('free')], [['a', 'b'], [], ['c', 'd']]);
    expect(waits).to.deep.equal([]);
    expect(jobs.map(({ after }) => after.map((wait) => wait.job))).to.deep.equal([[], ['a'], ['b'], ['c'], []]);
  });
});

describe('stamina', () => {
  const house = { ...DEFAULT_HOUSE_RULES, mostInARow: 4 };
  const { problem, jobs, trays } = buildLine(roster(units, { paints, house }));
  const line = compileLine(problem);
  const at = (order: string[]) => order.map((id) => jobs.findIndex((job) => job.id === id));
  const byUnit = at(jobs.map(({ id }) => id).sort());
  const inTurns = at(['shirt', 'hood'].flatMap((name) => ['Keepers', 'Cutters', 'Couriers'].map((of) => `${of}-${name}#1@1`)));
  const minutes = (order: number[]) =>
    wishMinutes(
      line,
      (place) => order[place]!,
      () => 0,
    );

  it('counts the models beyond the cap of one unit in a row, and nothing while units change', () => {
    // Three units, eight models each in a row, four beyond the cap, half a minute for each.
    expect(minutes(byUnit)).to.equal(3 * 4 * 0.5);
    expect(minutes(inTurns)).to.equal(0);
    expect([byUnit, inTurns].map((order) => wishesKept(line, order))).to.deep.equal([[false], [true]]);
  });

  it('is no wish without a cap, or with one unit alone', () => {
    expect(staminaWish(trays, { mostInARow: 0 })).to.deep.equal([]);
    expect(staminaWish(trays.slice(0, 1), { mostInARow: 4 })).to.deep.equal([]);
  });

  it('names the longest with the same models, and the longest job', () => {
    const { identical, job } = longestRuns(byUnit.map((place) => jobs[place]!));
    expect(identical).to.deep.equal({ unitName: 'Couriers', models: 8, minutes: 16 });
    expect(job.minutes).to.equal(8);
  });

  it('tells session by session what becomes ready', () => {
    const timed = inTurns.map((place, index) => ({ id: jobs[place]!.id, begin: index * 10, end: index * 10 + 10, prep: 0, wait: 0 }));
    const evenings = eveningsOf(jobs, timed, (minute) => (minute <= 40 ? 0 : 1));
    expect(evenings).to.deep.equal([
      { session: 0, ready: [{ unitName: 'Keepers', models: 4, isWhole: true }], doneShare: 16 / 24 },
      {
        session: 1,
        ready: [
          { unitName: 'Cutters', models: 4, isWhole: true },
          { unitName: 'Couriers', models: 4, isWhole: true },
        ],
        doneShare: 1,
      },
    ]);
  });
});
