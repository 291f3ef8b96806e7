import { expect } from 'chai';
import { endOfDay } from '../../../../src/core/plan/dates/benchSessions';
import { lineDates } from '../../../../src/core/plan/dates/lineDates';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import type { Roster } from '../../../../src/core/plan/build/roster';
import { harmOf, harms, lineOf, LineSets, type PlannedDate } from '../../../../src/core/plan/choices/lineSets';
import { setObstacles } from '../../../../src/core/scheme/advice/setObstacles';
import { allAtOnce } from '../../../../src/core/kernel/steps';
import { paint, part, roster, rosterUnit, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue'), paint('ochre')].map((each) => [each.id, each]));
const units = [
  {
    ...unit('Keepers', [part('shirt', step('basecoat', { paint: 'red' })), part('hood', step('basecoat', { paint: 'blue' }))]),
    of: 'tide',
  },
  {
    ...unit('Cutters', [part('shirt', step('basecoat', { paint: 'red' })), part('hood', step('basecoat', { paint: 'blue' }))]),
    of: 'chess',
  },
  { ...unit('Geese', [part('wings', step('basecoat', { paint: 'ochre' }))]), of: 'market' },
].map(({ of, ...each }) => ({ ...rosterUnit(each), commissionId: of, commissionName: of }));

const commissions = [
  { id: 'tide', by: endOfDay('2026-11-25') },
  { id: 'chess', by: endOfDay('2026-11-26') },
  { id: 'market', by: endOfDay('2026-12-20') },
];

function setsOf(more: Partial<Roster> = {}) {
  const built = buildLine({ ...roster([], { paints }), units, ...more });
  const sessions = Array.from({ length: 40 }, (_, day) => ({ from: day * 1440, to: day * 1440 + 90 }));
  const calendar = { origin: new Date(2026, 10, 24, 19).getTime(), sessions };
  const problem = { ...built.problem, sessions, due: lineDates(built.jobs, commissions, calendar, 1.2) };
  const factors = new Map(built.jobs.map((job) => [job.passKey, Float64Array.from({ length: 100 }, (_, draw) => 0.8 + draw / 250)]));
  return { sets: new LineSets({ built, problem, queue: commissions.map(({ id }) => id), factors }), problem, built };
}

const KEEPERS = 'unit-Keepers';
const CUTTERS = 'unit-Cutters';
const GEESE = 'unit-Geese';

describe('units painted together', () => {
  const { sets, problem, built } = setsOf();
  const unitOf = new Map(built.jobs.map((job) => [job.id, job.unitId]));
  /** Bench minutes of a line of these units in the order that was found for it, timed here. */
  const bench = (...its: string[]) => {
    const line = lineOf(problem, (id) => its.includes(unitOf.get(id)!));
    const index = new Map(line.jobs.map(({ id }, at) => [id, at]));
    const timed = timeOrder(
      compileLine(line),
      sets.plan(its)!.order.map((id) => index.get(id)!),
    );
    if (!timed.fits) throw new Error('the sessions hold it');
    return timed.totals.bench;
  };

  it('save the difference of two plans, to the letter', () => {
    const { savedMinutes } = sets.price([KEEPERS], [KEEPERS, CUTTERS])!;
    expect(savedMinutes).to.be.closeTo(bench(KEEPERS) + bench(CUTTERS) - bench(KEEPERS, CUTTERS), 1e-9);
    // Two paints are opened once and not twice.
    expect(savedMinutes).to.be.greaterThan(3);
    expect(sets.price([KEEPERS, CUTTERS], [KEEPERS])!.savedMinutes).to.be.closeTo(-savedMinutes, 1e-9);
  });

  it('are priced one at a time and by commission, with the dates of all', () => {
    const singly = allAtOnce(sets.singly([KEEPERS]));
    expect(singly.map(([id]) => id)).to.deep.equal([CUTTERS, GEESE]);
    for (const [, price] of singly)
      expect(price.after.map(({ commissionId }) => commissionId).sort()).to.deep.equal(['chess', 'market', 'tide']);
    const byCommission = new Map(allAtOnce(sets.byCommission([KEEPERS])));
    expect(byCommission.get('chess')!.savedMinutes).to.equal(new Map(singly).get(CUTTERS)!.savedMinutes);
  });

  it('are suggested by what they save, never the set that is there', () => {
    const suggested = allAtOnce(sets.suggest([KEEPERS]));
    expect(suggested[0]!.unitIds.toSorted()).to.include.members([CUTTERS, KEEPERS]);
    expect(suggested.every(({ savedMinutes }) => savedMinutes > 1)).to.equal(true);
    expect(suggested.map(({ unitIds }) => unitIds.toSorted().join())).to.not.include(KEEPERS);
    const kept = suggested.filter((set) => !harms(set)).map(({ savedMinutes }) => savedMinutes);
    expect(kept).to.deep.equal(kept.toSorted((a, b) => b - a));
  });

  it('follow the order that lies there, where one is known', () => {
    const { sets: own, built: ofOwn } = setsOf();
    const order = ofOwn.jobs.filter((job) => job.unitId === KEEPERS).map((job) => job.id);
    own.know([KEEPERS], order);
    expect(own.plan([KEEPERS])!.order).to.deep.equal(order);
  });

  it('wait for what is on the line, so that dates behind it are later', () => {
    const endOf = (id: string, ...its: string[]) => sets.plan(its)!.dates.find(({ commissionId }) => commissionId === id)!.end;
    expect(endOf('market', GEESE)).to.be.lessThan(endOf('market', KEEPERS));
  });

  it('have no price where the sessions hold nothing', () => {
    const { sets: never } = setsOf({ minutesOf: () => 200 });
    expect(never.price([KEEPERS], [KEEPERS, CUTTERS])).to.equal(null);
    expect(allAtOnce(never.suggest([KEEPERS]))).to.deep.equal([]);
  });
});

describe('what happens to a date', () => {
  const date = (end: number, chance: number): PlannedDate => ({ commissionId: 'tide', at: 100, end, chance });
  const harm = (was: PlannedDate, is: PlannedDate) => harmOf([was], is);

  it('is late, later than it was, no longer safe, or nothing', () => {
    expect(harm(date(90, 0.9), date(110, 0.1))).to.equal('late');
    expect(harm(date(110, 0.1), date(120, 0))).to.equal('later');
    expect(harm(date(80, 0.9), date(90, 0.6))).to.equal('unsafe');
    expect(harm(date(80, 0.9), date(95, 0.85))).to.equal(null);
    expect(harm(date(120, 0), date(110, 0.2))).to.equal(null);
    expect(harmOf([], date(110, 0))).to.equal(null);
  });
});

describe('what stands against a set', () => {
  it('are sizes, standards and undercoats that differ', () => {
    const primed = (name: string, primer: string) => rosterUnit(unit(name, [], [step('prime', { paint: primer })]));
    expect(setObstacles([primed('a', 'red'), primed('b', 'red')], paints)).to.deep.equal([]);
    const mixed = [primed('a', 'red'), { ...primed('b', 'blue'), size: 'mounted' as const, standard: 'table' as const }];
    expect(setObstacles(mixed, paints)).to.deep.equal([
      'sizes differ (foot figure (28 to 32 mm), mounted)',
      'standards differ (full, table)',
      '2 undercoats (Paint red, Paint blue)',
    ]);
  });
});
