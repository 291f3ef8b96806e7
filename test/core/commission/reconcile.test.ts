import { expect } from 'chai';
import type { Mark } from '../../../src/core/bench/definitions';
import { noMarks } from '../../../src/core/bench/replay/foldMarks';
import type { Unit } from '../../../src/core/scheme/model/definitions';
import { DEFAULT_HOUSE_RULES } from '../../../src/core/scheme/model/houseRules';
import { reconcile } from '../../../src/core/commission/reconcile';
import { ONLY_LEADERS, part, rosterUnit, step, unit } from '../../support/units';

const MARK: Mark = { at: 0, dryMinutes: 0, handleMinutes: 0, setupId: '', missed: null };
const marked = (models: number[]) => new Map(models.map((model) => [model, MARK]));

const check = (of: Unit, painted: Record<string, number[]> = {}, aside: number[] = []) =>
  reconcile(
    rosterUnit(of, 'table'),
    {
      ...noMarks(),
      marks: new Map(Object.entries(painted).map(([key, models]) => [key, marked(models)])),
      aside: new Map([[of.id, new Map(aside.map((model) => [model, 'broken']))]]),
    },
    DEFAULT_HOUSE_RULES,
  );
const openOf = (of: Unit) => check(of).open.map(({ what }) => what);

describe('every model accounted for', () => {
  const coat = step('basecoat', { id: 'coat', paint: 'red' });
  const prime = step('prime', { id: 'prime', paint: 'grey' });
  const whole = unit('whole', [part('Coat', coat)], [prime], { promised: 5, counted: 5 });

  it('has nothing open when all of it agrees', () => expect(openOf(whole)).to.deep.equal([]));

  it('counts through to the last coat', () =>
    expect(check(whole, { 'prime#1': [1, 2, 3], 'coat#1': [1, 2] }, [5])).to.include({ inTrays: 4, primed: 3, finished: 2, toPaint: 5 }));

  it('lists models that are on no tray, missing, or too many', () => {
    expect(openOf({ ...whole, testModel: 'waiting' })[0]).to.match(/4 models on no tray: the test model/);
    expect(openOf({ ...whole, counted: 4 })).to.deep.equal(['1 model short']);
    expect(openOf({ ...whole, owned: 1 })).to.deep.equal(['1 model too many']);
    expect(openOf({ ...whole, counted: null })).to.deep.equal(['not counted yet']);
    expect(check(whole, {}, [2]).open).to.deep.equal([{ what: '1 model set aside', at: 'bench' }]);
  });

  it('lists parts without a step, steps without a paint, and models that nothing is for', () => {
    const lining = part('Lining', step('detail', { paint: 'red', standard: 'full' }));
    expect(openOf({ ...whole, scheme: { ...whole.scheme, parts: [part('Coat', coat), lining] } })).to.deep.equal([
      'no step at this standard: Lining',
    ]);
    const nameless = part('Cap', step('basecoat'));
    expect(openOf({ ...whole, scheme: { ...whole.scheme, parts: [nameless] } })).to.deep.equal(['no paint: base coat on cap']);
    expect(openOf(unit('few', [part('Cap', { ...coat, ...ONLY_LEADERS })], [], { promised: 3, counted: 3, leaders: 1 }))).to.deep.equal([
      'no step for 2 models',
    ]);
    expect(openOf(unit('bare', [], [], { counted: 6 }))).to.deep.equal(['no scheme yet']);
  });
});
