import { expect } from 'chai';
import { isTrayFetched, readyAtOfStart } from '../../../../src/core/bench/guide/startingTaps';
import { tap, TestBench } from '../../../support/bench';
import { paint, part, roster, step, unit } from '../../../support/units';

const MINUTE = 60_000;
const NOW = Date.parse('2026-11-23T19:00:00Z');
const before = (minutes: number) => NOW - minutes * MINUTE;
const told = (at: number) => new Date(at).toISOString();

describe('what goes with a tap that starts', () => {
  const moment = { now: NOW, arrivedAt: before(60), workingSince: before(30), firstReadyAt: 0 };

  it('says until when the painter waited', () => {
    expect(readyAtOfStart({ ...moment, firstReadyAt: before(2) })).to.equal(told(before(2)));
    expect(readyAtOfStart({ ...moment, firstReadyAt: before(40) })).to.equal(null);
    expect(readyAtOfStart({ ...moment, firstReadyAt: NOW + MINUTE })).to.equal(null);
    expect(readyAtOfStart({ ...moment, firstReadyAt: Infinity })).to.equal(null);
  });

  it('says since when the painter was at the bench when nothing is in the hand', () => {
    const first = { ...moment, workingSince: null, arrivedAt: before(4) };
    expect(readyAtOfStart(first)).to.equal(told(before(4)));
    expect(readyAtOfStart({ ...first, arrivedAt: before(15) }), 'too long to be sitting down').to.equal(null);
    expect(readyAtOfStart({ ...first, firstReadyAt: before(1) }), 'it was wet meanwhile').to.equal(null);
  });

  it('knows a tray that was fetched with the setup in hand', () => {
    const paints = new Map([paint('red')].map((each) => [each.id, each]));
    const parts = [part('coat', step('basecoat', { paint: 'red' }))];
    const bench = new TestBench(
      roster([unit('keepers', parts, [], { promised: 6, trayLimit: 3 }), unit('cutters', parts, [], { promised: 3 })], { paints }),
    );
    const [coat, other] = [bench.pass('coat'), bench.pass('coat', 'cutters')];
    const isFetched = (unitId: string, model: number, ...more: ReturnType<typeof tap>[]) =>
      isTrayFetched(bench.line, [bench.started(0, coat), bench.done(2, coat, 3), ...more], unitId, model);
    expect(isFetched(coat.unitId, 2)).to.equal(false);
    expect(isFetched(coat.unitId, 4)).to.equal(true);
    expect(isFetched(other.unitId, 1)).to.equal(true);
    expect(isFetched(other.unitId, 1, bench.started(3, other)), 'a start measures it').to.equal(false);
    expect(isFetched(coat.unitId, 4, tap(3, 'ended'))).to.equal(false);
    const wrong = bench.done(3, coat, 4);
    expect(isFetched(coat.unitId, 5, wrong, tap(4, 'undone', { target: wrong.id })), 'the tap is taken back').to.equal(true);
  });
});
