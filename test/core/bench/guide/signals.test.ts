import { expect } from 'chai';
import { benchSignals, dueSignals, mayBeHeard } from '../../../../src/core/bench/guide/signals';
import { lookBacks, viewBench } from '../../../../src/core/bench/guide/viewBench';
import type { BenchEvent } from '../../../../src/core/bench/definitions';
import { START, tap, TestBench } from '../../../support/bench';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue', 'wash')].map((each) => [each.id, each]));
const shed = new TestBench(
  roster([unit('keepers', [part('coat', step('basecoat', { paint: 'red' }))], [step('wash', { paint: 'blue' })], { promised: 3 })], {
    paints,
  }),
);
const coat = shed.pass('coat');
const wash = shed.pass(null);
const minute = (minutes: number) => START + minutes * 60_000;
const signals = (minutes: number, ...events: BenchEvent[]) => {
  const scene = shed.scene(events);
  const now = minute(minutes);
  return benchSignals({
    scene,
    view: viewBench(scene, now),
    lookBacks: lookBacks(scene, now),
    sessions: [{ from: minute(-30), to: minute(60) }],
  });
};
const due = (of: ReturnType<typeof signals>, from: number, to: number, ...told: string[]) =>
  dueSignals(of, minute(from), minute(to), new Set(told)).map(({ kind, at }) => `${kind} ${(at - START) / 60_000}`);
const coated = [shed.started(0, coat), shed.done(1, coat, 1), shed.done(2, coat, 2), shed.done(3, coat, 3)];

describe('what is heard at the bench', () => {
  it('is that the model waited for is dry, and that all of a step is; each at its moment, and once', () => {
    const dries = 1 + shed.facts(coat).dryMinutes;
    const heard = signals(4, ...coated);
    expect(due(heard, 4, dries - 0.1)).to.deep.equal([]);
    expect(due(heard, 4, dries)).to.deep.equal([`ready ${dries}`]);
    expect(due(heard, 4, dries + 2)).to.deep.equal([`ready ${dries}`, `dry ${dries + 2}`]);
    const [first] = dueSignals(heard, minute(4), minute(dries), new Set());
    expect(due(heard, 4, dries, first!.id)).to.deep.equal([]);
    expect(due(heard, dries, dries + 1), 'it was dry before this window was opened').to.deep.equal([]);
  });

  it('is that a wash may pool, a minute after the last model', () => {
    const washed = [...coated, shed.started(40, wash), shed.done(41, wash, 1), shed.done(42, wash, 2)];
    expect(due(signals(42, ...washed), 41, 43)).to.include('pools 43');
    expect(due(signals(42, ...washed), 41, 42.9)).not.to.include('pools 43');
    const looked = tap(42.5, 'looked', { ...shed.of(wash), models: [1, 2] });
    expect(signals(43, ...washed, looked).map(({ kind }) => kind)).not.to.include('pools');
  });

  it('is that the session ends', () => {
    expect(due(signals(0), 59, 60)).to.deep.equal(['session end 60']);
  });

  it('is nothing with a knife or a spray can in the hand, and all of it in a pause or afterwards', () => {
    const view = (...events: BenchEvent[]) => viewBench(shed.scene(events), minute(5));
    const inHand = view(shed.started(0, coat));
    expect(mayBeHeard(inHand, 'basecoat')).to.equal(true);
    for (const technique of ['clean', 'prime'] as const) {
      expect(mayBeHeard(inHand, technique), technique).to.equal(false);
      expect(mayBeHeard(view(shed.started(0, coat), tap(2, 'paused')), technique), 'in a pause').to.equal(true);
      expect(mayBeHeard(view(), technique), 'before it is taken up').to.equal(true);
    }
  });
});
