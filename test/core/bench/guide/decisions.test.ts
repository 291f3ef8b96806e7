import { expect } from 'chai';
import { decisionsOn, leftOutOf } from '../../../../src/core/bench/guide/decisions';
import { viewBench } from '../../../../src/core/bench/guide/viewBench';
import { foldClock } from '../../../../src/core/bench/replay/foldClock';
import { doneModels, foldMarks } from '../../../../src/core/bench/replay/foldMarks';
import type { BenchEvent } from '../../../../src/core/bench/definitions';
import { packMarks, unpackMarks } from '../../../../src/contract/bench';
import { START, tap, TestBench } from '../../../support/bench';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const scheme = [
  part('coat', step('basecoat', { paint: 'red' }), step('edge', { paint: 'blue' })),
  part('cap', step('basecoat', { paint: 'blue' })),
];
const bench = new TestBench(roster([unit('keepers', scheme, [], { promised: 3 })], { paints }));
const [COAT, EDGE] = bench.line.passes as [(typeof bench.line.passes)[0], (typeof bench.line.passes)[0]];
const { started, done } = bench;
const minutesOf = (_: object, models: readonly number[]) => 2 * models.length;
const decisions = (model: number | null, ...events: BenchEvent[]) =>
  decisionsOn(COAT, model, { line: bench.line, state: foldMarks(events), minutesOf });
const leftOut = (at: number, pass: typeof COAT, ...models: number[]) => tap(at, 'left-out', { ...bench.of(pass), models });
const short = (all: ReturnType<typeof decisions>) => all.map(({ kind, models, minutes }) => [kind, models, minutes]);

describe('decisions at the bench', () => {
  it('are told with what each takes or saves', () => {
    expect(short(decisions(1))).to.deep.equal([
      ['leave out', [1], -2],
      ['leave out the rest', [1, 2, 3], -6],
      ['another coat', [1, 2, 3], 6],
      ['not this session', [1, 2, 3], -6],
    ]);
    expect(short(decisions(1, started(0, COAT), done(1, COAT, 1)))).to.deep.equal([
      ['leave out the rest', [2, 3], -4],
      ['another coat', [1, 2, 3], 6],
      ['another coat on the rest', [2, 3], 4],
      ['not this session', [2, 3], -4],
      ['start over', [1], 2],
    ]);
  });

  it('start over with every coat of the part that the model carries, and no other', () => {
    const painted = [started(0, COAT), done(1, COAT, 1), started(20, EDGE), done(21, EDGE, 1), leftOut(22, EDGE, 2)];
    const over = decisions(1, ...painted).at(-1)!;
    expect(over.passes.map(({ key }) => key)).to.deep.equal([COAT.key, EDGE.key]);
    expect(over.minutes).to.equal(4);
    // What was left out is not painted.
    expect(short(decisions(2, ...painted)).map(([kind]) => kind)).not.to.include('start over');
  });

  it('leave a model cleaned when it is started over', () => {
    const allOver = [step('clean', { id: 'clean' }), step('wash', { id: 'wash', paint: 'red' })];
    const over = new TestBench(roster([unit('cutters', [], allOver, { promised: 2 })], { paints }));
    const [clean, wash] = over.line.passes as [typeof COAT, typeof COAT];
    const events = [over.started(0, clean), over.done(1, clean, 1), over.started(2, wash), over.done(3, wash, 1)];
    const all = decisionsOn(wash, 1, { line: over.line, state: foldMarks(events), minutesOf });
    expect(all.at(-1)!.passes.map(({ stepId }) => stepId)).to.deep.equal(['wash']);
  });

  it('leave models out: nothing is painted, nothing waits, no time passes, and they can be taken back', () => {
    const events = [started(0, COAT), done(1, COAT, 1), leftOut(2, COAT, 2, 3)];
    const { marks } = foldMarks(events);
    expect([...doneModels(marks, COAT.key)]).to.deep.equal([1, 2, 3]);
    expect(marks.get(COAT.key)!.get(2)).to.deep.include({ dryMinutes: 0, setupId: '', leftOut: true });
    expect(viewBench(bench.scene(events), START + 3 * 60_000).readiness.broken(EDGE.key, [2])).to.deep.equal([]);
    expect(foldClock(events).stretches.flatMap(({ models }) => models)).to.deep.equal([1]);
    expect(leftOutOf(COAT.unitId, { line: bench.line, state: foldMarks(events) })).to.deep.equal([{ pass: COAT, models: [2, 3] }]);
    const back = [...events, tap(4, 'reopened', { ...bench.of(COAT), models: [3] })];
    expect(leftOutOf(COAT.unitId, { line: bench.line, state: foldMarks(back) })[0]!.models).to.deep.equal([2]);
  });

  it('leave what is painted as it is, and have nothing to miss on what is left out', () => {
    const events = [started(0, COAT), done(1, COAT, 1), leftOut(2, COAT, 1, 2), tap(3, 'missed', { ...bench.of(COAT), models: [1, 2] })];
    const marks = foldMarks(events).marks.get(COAT.key)!;
    expect(marks.get(1)!.leftOut).to.equal(undefined);
    expect([marks.get(1)!.missed !== null, marks.get(2)!.missed]).to.deep.equal([true, null]);
  });

  it('come to a window as they are', () => {
    const state = foldMarks([started(0, COAT), done(1, COAT, 1), leftOut(2, COAT, 2)]);
    expect(unpackMarks(packMarks(state))).to.deep.equal(state);
  });
});
