import { expect } from 'chai';
import { undoneOf } from '../../../src/core/commission/undone';
import { viewBench } from '../../../src/core/bench/guide/viewBench';
import { foldMarks } from '../../../src/core/bench/replay/foldMarks';
import { DEFAULT_HOUSE_RULES } from '../../../src/core/scheme/model/houseRules';
import { START, tap, TestBench } from '../../support/bench';
import { paint, part, roster, step, unit } from '../../support/units';

const paints = new Map([paint('red'), paint('gloss', 'varnish'), paint('matt', 'varnish')].map((each) => [each.id, each]));
const varnish = (id: string) => step('varnish', { id, paint: id, coverage: 1 });
const units = roster(
  [unit('keepers', [part('coat', step('basecoat', { paint: 'red' }))], [varnish('gloss'), varnish('matt')], { promised: 2, counted: 2 })],
  { paints },
);
const bench = new TestBench(units);
const pass = (id: string) => bench.line.passes.find(({ stepId, technique }) => (id === 'coat' ? technique === 'basecoat' : stepId === id))!;
const done = (at: number, id: string) => [bench.started(at, pass(id)), bench.done(at + 1, pass(id), 1), bench.done(at + 2, pass(id), 2)];
const leftOut = (at: number, id: string) => tap(at, 'left-out', { ...bench.of(pass(id)), models: [1, 2] });
const undone = (...events: Parameters<typeof foldMarks>[0]) =>
  undoneOf({ units: units.units, marks: foldMarks(events), house: DEFAULT_HOUSE_RULES, changes: [], now: START + 60 * 60_000 });

describe('what is not done of a commission', () => {
  it('is what nobody has painted, and varnish that cures', () => {
    expect(undone(...done(0, 'coat')).map(({ kind, what }) => [kind, what])).to.deep.equal([['left', '4 model-steps not painted']]);
    expect(undone(...done(0, 'coat'), ...done(20, 'gloss'), ...done(40, 'matt')).map(({ kind }) => kind)).to.deep.equal(['curing']);
  });

  it('says what was left out, which neither cures nor is waited for', () => {
    const events = [...done(0, 'coat'), leftOut(20, 'gloss')];
    expect(undone(...events, leftOut(21, 'matt')).map(({ kind, what }) => [kind, what])).to.deep.equal([
      ['left-out', '4 model-steps left out at the bench'],
    ]);
    // Another varnish waits a day for the first, and for none that was left out.
    const readyAt = (...taps: typeof events) => viewBench(bench.scene(taps), START + 60 * 60_000).readiness.of(pass('matt').key, 1).readyAt;
    expect(readyAt(...events)).to.be.at.most(START + 60 * 60_000);
    expect(readyAt(...done(0, 'coat'), ...done(20, 'gloss'))).to.be.above(START + 20 * 60 * 60_000);
  });
});
