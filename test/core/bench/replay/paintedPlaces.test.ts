import { expect } from 'chai';
import { paintedPlaces } from '../../../../src/core/bench/replay/paintedPlaces';
import { paint, part, roster, step, unit } from '../../../support/units';
import { START, tap, TestBench } from '../../../support/bench';

const paints = new Map([['red', paint('red')]]);
const bench = new TestBench(
  roster([unit('Keepers', [part('Shirt', step('basecoat', { paint: 'red' }))], [], { promised: 3 })], { paints }),
);
const shirt = bench.pass('Shirt');
const at = (minute: number) => START + minute * 60_000;
const touched = (minute: number, ...models: number[]) => tap(minute, 'touched-up', { ...bench.of(shirt), models });

describe('what was painted when, and again', () => {
  it('keeps the first time of a place that is touched up, and tells the repair', () => {
    const { painted, repairs } = paintedPlaces([bench.done(1, shirt, 1, 2), touched(9, 2)]);
    expect([...painted.get(shirt.key)!]).to.deep.equal([
      [1, at(1)],
      [2, at(1)],
    ]);
    expect(repairs).to.deep.equal([{ passKey: shirt.key, model: 2, at: at(9) }]);
  });

  it('takes the end of a miss for no repair, and what follows it for one', () => {
    const events = [bench.done(1, shirt, 1), bench.missed(2, shirt, 1), touched(3, 1), touched(8, 1)];
    expect(paintedPlaces(events).repairs.map((repair) => repair.at)).to.deep.equal([at(8)]);
  });

  it('forgets what was taken back or opened again, and what was never painted', () => {
    const done = bench.done(1, shirt, 1);
    const { painted, repairs } = paintedPlaces([
      done,
      tap(2, 'undone', { ...bench.of(shirt), target: done.id }),
      touched(3, 1),
      bench.done(4, shirt, 2),
      tap(5, 'reopened', { ...bench.of(shirt), models: [2] }),
      bench.done(6, shirt, 2),
    ]);
    expect([...painted.get(shirt.key)!]).to.deep.equal([[2, at(6)]]);
    expect(repairs).to.deep.equal([]);
  });
});
