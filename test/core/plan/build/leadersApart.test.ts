import { expect } from 'chai';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { DEFAULT_SCHOOLS, type Schools } from '../../../../src/core/scheme/model/schools';
import { splitTrays } from '../../../../src/core/scheme/passes/splitTrays';
import { part, roster, step, unit } from '../../../support/units';

const houseWith = (leaders: Schools['leaders']) => ({ ...DEFAULT_HOUSE_RULES, schools: { ...DEFAULT_SCHOOLS, leaders } });
const watch = (promised: number, leaders: number, trayLimit: number) => unit('watch', [], [], { promised, leaders, trayLimit });
const split = (of: ReturnType<typeof watch>, school: Schools['leaders']) => splitTrays(of, houseWith(school)).map(({ models }) => models);

describe('leaders', () => {
  it('travel with the unit unless a school says otherwise', () =>
    expect(split(watch(6, 1, 3), 'with the unit')).to.deep.equal([
      [1, 2, 3],
      [4, 5, 6],
    ]));

  it('go first or last, on trays of their own', () => {
    expect(split(watch(7, 2, 3), 'first, on a tray of their own')).to.deep.equal([
      [1, 2],
      [3, 4],
      [5, 6, 7],
    ]);
    expect(split(watch(7, 2, 3), 'last').at(-1)).to.deep.equal([1, 2]);
  });

  it('are a treat after every ten of the others, one at a time', () => {
    const trays = split(watch(23, 3, 12), 'as a treat after every ten');
    expect(trays.map((models) => models.length)).to.deep.equal([10, 1, 10, 1, 1]);
    expect(trays[1]).to.deep.equal([1]);
  });

  it('stay with the unit where everybody is one', () => expect(split(watch(3, 3, 10), 'last')).to.deep.equal([[1, 2, 3]]));

  it('wait for the client as the others do', () =>
    expect(splitTrays({ ...watch(7, 2, 3), testModel: 'waiting' }, houseWith('last')).map(({ models }) => models)).to.deep.equal([[1]]));

  it('take their turn in every order that a search finds', () => {
    const figure = unit('figure', [part('coat', step('basecoat', { id: 'b' }), step('layer', { id: 'l' }))], [], {
      promised: 7,
      leaders: 2,
      trayLimit: 10,
    });
    const order = (school: Schools['leaders']) => {
      const { problem } = buildLine(roster([figure], { house: houseWith(school) }));
      const line = compileLine(problem);
      const { order: found } = solveLine(line, { seed: 1, steps: 2000 });
      return Array.from(found, (job) => problem.jobs[job]!.id);
    };
    const first = order('first, on a tray of their own');
    expect(first.indexOf('b#1@1')).to.be.lessThan(first.indexOf('b#1@2'));
    expect(first.indexOf('l#1@1')).to.be.lessThan(first.indexOf('l#1@2'));
    const last = order('last');
    expect(last.indexOf('b#1@1')).to.be.lessThan(last.indexOf('b#1@2'));
  });
});
