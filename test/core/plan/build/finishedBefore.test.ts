import { expect } from 'chai';
import fc from '../../../support/property';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { fixedStrategies } from '../../../../src/core/line/search/strategies';
import { turnPrices } from '../../../../src/core/line/hand/turnPrices';
import { totalsOfOrder } from '../../../../src/core/line/timing/timeOrder';
import { buildLine, type BuiltLine } from '../../../../src/core/plan/build/buildLine';
import { BATCHES, DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const scheme = (name: string) => [
  part('shirt', step('basecoat', { id: `${name}-shirt`, paint: 'red' })),
  part('hood', step('basecoat', { id: `${name}-hood`, paint: 'blue' })),
];

interface Says {
  trayByTray?: boolean;
  goesFirst?: boolean;
  leaders?: number;
}

const NAMES = ['Keepers', 'Cutters', 'Couriers'] as const;
type Name = (typeof NAMES)[number];

/** Three units of four, on trays of two, with what each of them says. */
function built(
  says: Partial<Record<Name, Says>>,
  house: Partial<typeof DEFAULT_HOUSE_RULES> = {},
  done: readonly string[] = [],
): BuiltLine {
  const units = NAMES.map((name) => unit(name, scheme(name), [], { promised: 4, trayLimit: 2, ...says[name] }));
  const doneModels = (key: string) => new Set(done.includes(key) ? [3, 4] : []);
  return buildLine(roster(units, { paints, doneModels, house: { ...DEFAULT_HOUSE_RULES, ...house } }));
}

/** Jobs in the best order found, by a name of each. */
function orderOf(line: BuiltLine, nameOf: (job: BuiltLine['jobs'][number]) => string): string[] {
  const { order } = solveLine(compileLine(line.problem), { seed: 1, steps: 2000, seeksProof: false });
  return Array.from(order, (job) => nameOf(line.jobs[job]!));
}

const runs = (names: readonly string[]) => names.filter((name, at) => name !== names[at - 1]);

describe('finished before the next', () => {
  it('has a unit finished tray by tray, and says why', () => {
    const line = built({ Keepers: { trayByTray: true } });
    const ofKeepers = orderOf(line, ({ trayId }) => trayId).filter((tray) => tray.startsWith('unit-Keepers'));
    expect(runs(ofKeepers)).to.deep.equal(['unit-Keepers/1', 'unit-Keepers/2']);
    expect(line.turns.map(({ kind, unitId }) => [kind, unitId])).to.deep.equal([['trays', 'unit-Keepers']]);
    expect(line.reasons.some(({ reason }) => reason.includes('tray by tray'))).to.equal(true);
  });

  it('has a unit finished before the others are begun, those together', () => {
    const line = built({ Couriers: { goesFirst: true } });
    const names = orderOf(line, ({ unitName }) => unitName);
    expect(names.slice(0, 4)).to.deep.equal(['Couriers', 'Couriers', 'Couriers', 'Couriers']);
    expect(runs(names).length).to.be.greaterThan(3);
  });

  it('puts it before batches that take their turn', () => {
    const names = orderOf(built({ Couriers: { goesFirst: true } }, { batches: 'one unit at a time' }), ({ unitName }) => unitName);
    expect(runs(names)).to.deep.equal(['Couriers', 'Keepers', 'Cutters']);
  });

  it('goes on with the tray that has something left, whatever was painted ahead of it', () => {
    // The second tray was begun before anything was said.
    const line = built({ Keepers: { trayByTray: true } }, {}, ['Keepers-shirt#1']);
    const ofKeepers = orderOf(line, ({ id }) => id).filter((id) => id.startsWith('Keepers'));
    expect(ofKeepers.at(-1)).to.equal('Keepers-hood#1@2');
    expect(ofKeepers).to.have.length(3);
  });

  it('asks nothing of one tray, or of a unit by itself', () => {
    const units = [unit('Keepers', scheme('Keepers'), [], { promised: 4, trayLimit: 4, trayByTray: true, goesFirst: true })];
    expect(buildLine(roster(units, { paints })).turns).to.deep.equal([]);
  });

  it('never goes round in a circle, however it is combined', () => {
    const says = fc.record({ trayByTray: fc.boolean(), goesFirst: fc.boolean(), leaders: fc.integer({ min: 0, max: 3 }) });
    const leaders = fc.constantFrom('with the unit', 'first', 'last', 'as a treat after every ten');
    fc.assert(
      fc.property(says, says, says, fc.constantFrom(...BATCHES), leaders, (Keepers, Cutters, Couriers, batches, school) => {
        const schools = { ...DEFAULT_HOUSE_RULES.schools, leaders: school } as typeof DEFAULT_HOUSE_RULES.schools;
        const line = built({ Keepers, Cutters, Couriers }, { batches, schools });
        // Throws where jobs wait for each other.
        expect(orderOf(line, ({ id }) => id)).to.have.length(line.jobs.length);
      }),
      { numRuns: 60 },
    );
  });

  it('has its price: what the line takes without it', () => {
    const line = built({ Keepers: { trayByTray: true }, Couriers: { goesFirst: true } });
    const order = solveLine(compileLine(line.problem), { seed: 1, steps: 4000, seeksProof: false }).order;
    const now = totalsOfOrder(compileLine(line.problem), order);
    const prices = turnPrices(line.problem, line.turns, order, { seed: 1, steps: 4000 });
    const without = [built({ Couriers: { goesFirst: true } }), built({ Keepers: { trayByTray: true } })].map(({ problem }) => {
      const compiled = compileLine(problem);
      return totalsOfOrder(compiled, solveLine(compiled, { seed: 1, steps: 4000, seeksProof: false }).order);
    });
    expect(prices).to.have.length(2);
    prices.forEach((price, index) => expect(price.bench).to.be.closeTo(now.bench - without[index]!.bench, 1e-9));
    expect(prices[0]!.bench).to.be.greaterThan(0);
  });

  it('is shown as a method where it is not how the line is painted already', () => {
    const ways = (line: BuiltLine) => {
      const unitOf = new Map(line.trays.map(({ id, unitId }) => [id, unitId]));
      return fixedStrategies(line.problem, { unitOfTray: (tray) => unitOf.get(tray)!, nearlyDone: [], turns: line.turns }).map(
        ({ id }) => id,
      );
    };
    const all = { trayByTray: true };
    expect(ways(built({}))).to.include('tray-by-tray');
    expect(ways(built({ Keepers: all }))).to.include('tray-by-tray');
    expect(ways(built({ Keepers: all, Cutters: all, Couriers: all }))).not.to.include('tray-by-tray');
  });
});
