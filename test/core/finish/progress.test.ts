import { expect } from 'chai';
import type { BenchEvent } from '../../../src/core/bench/definitions';
import { lastSitting } from '../../../src/core/bench/guide/eveningEnd';
import { idleClock } from '../../../src/core/bench/replay/foldClock';
import { foldMarks } from '../../../src/core/bench/replay/foldMarks';
import { progressSince } from '../../../src/core/finish/progress';
import { MINUTE_MS } from '../../../src/core/kernel/timeUnits';
import { START, tap, TestBench } from '../../support/bench';
import { part, roster, scheme, step, unit } from '../../support/units';

const coatStep = step('basecoat', { id: 'coat', standard: 'quick' });
const parts = [part('coat', coatStep), part('hat', step('layer', { id: 'hat', standard: 'table' }))];
const made = roster(
  [
    unit('Keepers', parts, [], {
      promised: 2,
      counted: 2,
      scheme: scheme(parts, [], { stops: [{ id: 's', name: 'Coats on', steps: ['coat'], usable: false }] }),
    }),
  ],
  { standard: 'table' },
);
const bench = new TestBench(made);
const coat = bench.pass('coat');
const hat = bench.pass('hat');
const evening = (from: number): BenchEvent[] => [bench.started(from, coat), bench.done(from + 5, coat, 1), bench.done(from + 9, coat, 2)];
const since = (minute: number, ...events: BenchEvent[]) =>
  progressSince(made.units, foldMarks(events), made.house, START + minute * MINUTE_MS);

describe('what became ready', () => {
  it('counts coats, models that are finished, and the stages that were reached', () => {
    const events = [...evening(0), bench.started(20, hat), bench.done(25, hat, 1)];
    const { modelSteps, ready, stages } = since(0, ...events);
    expect(modelSteps).to.equal(3);
    expect(ready).to.deep.equal([{ unitId: 'unit-Keepers', unit: 'Keepers', commissionId: 'commission', models: [1], isWhole: false }]);
    expect(stages.map(({ name, usable, at }) => [name, usable, (at - START) / MINUTE_MS])).to.deep.equal([
      ['Coats on', false, 9],
      ['quick standard', true, 9],
    ]);
    expect(since(10, ...events)).to.deep.include({ modelSteps: 1, stages: [] });
    expect(since(10, ...events, bench.missed(30, hat, 1)).ready).to.deep.equal([]);
    expect(since(0, ...events, bench.done(31, hat, 2)).ready[0]).to.deep.include({ models: [1, 2], isWhole: true });
  });

  it('counts nothing that was only told, or left out', () => {
    const told = tap(1, 'kept', { ...bench.of(coat), models: [1] });
    const without = tap(2, 'left-out', { ...bench.of(hat), models: [1] });
    expect(since(0, told, without).modelSteps).to.equal(0);
  });
});

describe('the end of an evening', () => {
  const around = { before: idleClock(), marked: new Map(), knownFacts: () => undefined };

  it('says what was done in the last sitting alone', () => {
    const night = 24 * 60;
    const first = evening(0);
    const second = [
      bench.started(night, hat),
      bench.done(night + 4, hat, 1),
      bench.missed(night + 5, coat, 1),
      tap(night + 8, 'touched-up', { ...bench.of(coat), models: [1], facts: bench.facts(coat) }),
      tap(night + 9, 'ended'),
    ];
    expect(lastSitting([], around)).to.equal(null);
    expect(lastSitting(first, around)).to.deep.include({ minutes: 9, modelSteps: 2, mended: 0 });
    expect(lastSitting([...first, ...second], around)).to.deep.equal({
      from: START + night * MINUTE_MS,
      to: START + (night + 9) * MINUTE_MS,
      minutes: 8,
      modelSteps: 1,
      mended: 1,
      unitIds: ['unit-Keepers'],
    });
  });
});
