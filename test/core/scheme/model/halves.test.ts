import { expect } from 'chai';
import { foldMarks, marksOn } from '../../../../src/core/bench/replay/foldMarks';
import type { BenchEvent } from '../../../../src/core/bench/definitions';
import { wholeEvent } from '../../../../src/core/bench/wholeEvent';
import { buildLine } from '../../../../src/core/plan/build/buildLine';
import { coatOfKey, halfOfId, stepOfKey } from '../../../../src/core/scheme/model/halves';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { hardRules } from '../../../../src/core/scheme/rules/orderRules';
import { passesOf } from '../../../../src/core/scheme/passes/passes';
import { DEFAULT_SCHOOLS } from '../../../../src/core/scheme/model/schools';
import { changeoverMinutes, handOf } from '../../../../src/core/scheme/passes/setups';
import type { Step, Unit } from '../../../../src/core/scheme/model/definitions';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red')].map((each) => [each.id, each]));
const house = { ...DEFAULT_HOUSE_RULES, schools: { ...DEFAULT_SCHOOLS, faces: 'fronts then backs' as const } };

const keysOf = (of: Unit, its = DEFAULT_HOUSE_RULES) => passesOf(of, 'display', its).map((pass) => pass.key);

describe('halves of a coat', () => {
  const base = step('basecoat', { id: 'base', paint: 'red', coats: 2, faces: 'fill then cut in' });
  const layer = step('layer', { id: 'layer', paint: 'red', faces: 'fronts then backs' });
  const edge = step('edge', { id: 'edge', paint: 'red', faces: 'fronts then backs' });
  const figure = unit('figure', [part('coat', base, layer, edge)], [], { promised: 4 });
  const { hard } = hardRules(figure, passesOf(figure, 'display', DEFAULT_HOUSE_RULES), paints, DEFAULT_HOUSE_RULES);
  const rule = (before: string, after: string) => hard.find((each) => each.before === before && each.after === after);

  it('are passes of their own', () =>
    expect(keysOf(figure)).to.deep.equal([
      'base.fill#1',
      'base.edges#1',
      'base.fill#2',
      'base.edges#2',
      'layer.fronts#1',
      'layer.backs#1',
      'edge.fronts#1',
      'edge.backs#1',
    ]));

  it('go on one after the other, without waiting to dry', () => {
    expect(rule('layer.fronts#1', 'layer.backs#1')).to.include({ rule: 'fronts-then-backs', lagMinutes: 0 });
    expect(rule('base.fill#1', 'base.edges#1')).to.include({ rule: 'fill-then-cut-in', lagMinutes: 0 });
  });

  it('lie over what is on their own side', () => {
    expect(rule('layer.fronts#1', 'edge.fronts#1')?.rule).to.equal('layer-over-layer');
    expect(rule('layer.backs#1', 'edge.backs#1')?.rule).to.equal('layer-over-layer');
    expect(rule('layer.fronts#1', 'edge.backs#1')).to.equal(undefined);
    expect(rule('base.edges#2', 'layer.backs#1')?.rule).to.equal('layer-over-layer');
    expect(rule('base.edges#1', 'base.fill#2')?.rule).to.equal('coat-over-coat');
  });

  it('take half of the minutes each, so that a coat stays as long as it was', () => {
    const minutes = (faces: Step['faces']) =>
      buildLine(roster([unit('a', [part('coat', { ...layer, faces })], [], { promised: 4 })], { paints }))
        .jobs.flatMap((job) => job.minutes)
        .reduce((sum, each) => sum + each, 0);
    expect(minutes('fronts then backs')).to.be.closeTo(minutes('whole'), 1e-9);
  });

  it('are cut in with another brush of the same paint', () => {
    const { setups } = buildLine(roster([unit('a', [part('coat', base)], [], { promised: 4 })], { paints }));
    expect(setups.map(handOf)).to.deep.equal(['broad brush', 'fine brush']);
    expect(changeoverMinutes(setups[0]!, setups[1]!, DEFAULT_HOUSE_RULES)).to.equal(DEFAULT_HOUSE_RULES.handMinutes);
  });

  it('are how layers and edge lines are painted by a school, and nothing else', () => {
    const plain = unit('plain', [
      part('coat', step('basecoat', { id: 'b' }), step('layer', { id: 'l' }), step('edge', { id: 'e' }), step('detail', { id: 'd' })),
    ]);
    expect(keysOf(plain)).to.deep.equal(['b#1', 'l#1', 'e#1', 'd#1']);
    expect(keysOf(plain, house)).to.deep.equal(['b#1', 'l.fronts#1', 'l.backs#1', 'e.fronts#1', 'e.backs#1', 'd#1']);
  });

  it('name their step', () => {
    expect(halfOfId('a.b.backs')).to.deep.equal({ stepId: 'a.b', half: 'backs' });
    expect(stepOfKey('a.edges#2')).to.equal('a');
    expect(coatOfKey('a.edges#2').whole).to.equal('a#2');
  });
});

describe('marks of a coat that was painted otherwise than the scheme has it now', () => {
  let events: BenchEvent[] = [];
  const tap = (kind: BenchEvent['kind'], id: string, models: number[]) => {
    const at = new Date(Date.UTC(2026, 10, 24, 19, events.length)).toISOString();
    events.push(wholeEvent({ id: `e${events.length}`, kind, at, unit: 'unit-a', step: id, coat: 1, models }));
  };
  const done = (...keys: string[]) => {
    const { marks } = marksOn(keys, foldMarks(events));
    return keys.map((key) => [...(marks.get(key)?.keys() ?? [])].sort());
  };
  beforeEach(() => (events = []));

  it('hold for both halves of what was painted whole', () => {
    tap('done', 's', [1, 2]);
    expect(done('s.fronts#1', 's.backs#1')).to.deep.equal([
      [1, 2],
      [1, 2],
    ]);
  });

  it('hold for the coat once both halves are painted', () => {
    tap('done', 's.fronts', [1, 2]);
    tap('done', 's.backs', [2]);
    expect(done('s#1')).to.deep.equal([[2]]);
  });

  it('do not mix the two ways to halve a coat', () => {
    tap('done', 's.fronts', [1]);
    tap('done', 's.edges', [1]);
    expect(done('s#1')).to.deep.equal([[]]);
  });

  it('leave the other half when one is painted again', () => {
    tap('done', 's', [1]);
    tap('reopened', 's.backs', [1]);
    expect(done('s.fronts#1', 's.backs#1', 's#1')).to.deep.equal([[1], [], []]);
  });

  it('are gone with the whole coat', () => {
    tap('done', 's.fronts', [1]);
    tap('done', 's.backs', [1]);
    tap('reopened', 's', [1]);
    expect(done('s.fronts#1', 's.backs#1', 's#1')).to.deep.equal([[], [], []]);
  });
});
