import { expect } from 'chai';
import fc from '../../../support/property';
import { BENCH_EVENT_KINDS, type BenchEvent, type WorkFacts } from '../../../../src/core/bench/definitions';
import { foldClock } from '../../../../src/core/bench/replay/foldClock';
import { foldMarks } from '../../../../src/core/bench/replay/foldMarks';
import { wholeEvent } from '../../../../src/core/bench/wholeEvent';

const START = Date.UTC(2026, 10, 23, 18);

const FACTS: WorkFacts = {
  commissionId: 'coast',
  commission: 'Coast',
  unit: 'Keepers',
  part: 'Coat',
  technique: 'basecoat',
  paintId: 'sea',
  paint: 'Sea',
  size: 'foot',
  coverage: 0.2,
  dryMinutes: 10,
  handleMinutes: 5,
  minutes: 2,
  effort: 1,
  factors: [],
  like: null,
};
const knownFacts = () => FACTS;

/** An evening of taps of every kind on three steps and five models, some undone; two never come at the same moment. */
const evening = fc
  .array(
    fc.record({
      kind: fc.constantFrom(...BENCH_EVENT_KINDS),
      seconds: fc.integer({ min: 1, max: 900 }),
      step: fc.constantFrom('base', 'wash', 'rim'),
      coat: fc.integer({ min: 1, max: 2 }),
      models: fc.uniqueArray(fc.integer({ min: 1, max: 5 }), { minLength: 1, maxLength: 3 }),
      target: fc.nat(),
      minutes: fc.option(fc.integer({ min: 0, max: 30 })),
    }),
    { maxLength: 25 },
  )
  .map((taps) => {
    let at = START;
    return taps.map(({ kind, seconds, step, coat, models, target, minutes }, index): BenchEvent => {
      at += seconds * 1000;
      return wholeEvent({
        id: `tap-${index}`,
        kind,
        at: new Date(at).toISOString(),
        unit: 'keepers',
        step,
        coat,
        models,
        minutes,
        ...(kind === 'undone' && index > 0 && { target: `tap-${target % index}` }),
      });
    });
  });
const withAnotherOrder = evening.chain((events) =>
  fc.record({
    events: fc.constant(events),
    arrived: fc.shuffledSubarray(events, { minLength: events.length, maxLength: events.length }),
  }),
);

describe('the folds over taps', () => {
  it('come to the same in whatever order the taps arrive', () => {
    fc.assert(
      fc.property(withAnotherOrder, ({ events, arrived }) => {
        expect(foldMarks(arrived, { knownFacts })).to.deep.equal(foldMarks(events, { knownFacts }));
        expect(foldClock(arrived, { knownFacts })).to.deep.equal(foldClock(events, { knownFacts }));
      }),
    );
  });

  it('change nothing of what they are given', () => {
    fc.assert(
      fc.property(evening, (events) => {
        const before = structuredClone(events);
        const marks = foldMarks(events);
        const kept = structuredClone(marks);
        foldMarks(events, { before: marks });
        foldClock(events, { knownFacts });
        expect(events).to.deep.equal(before);
        expect(marks).to.deep.equal(kept);
      }),
    );
  });

  it('mark only models that were tapped, and never count less than no time', () => {
    fc.assert(
      fc.property(evening, (events) => {
        const tapped = new Set(events.flatMap(({ models, step, coat }) => models.map((model) => `${step}#${coat} ${model}`)));
        for (const [key, models] of foldMarks(events).marks)
          for (const model of models.keys()) expect(tapped.has(`${key} ${model}`), `${key} ${model}`).to.equal(true);
        for (const stretch of foldClock(events, { knownFacts }).stretches) {
          expect(stretch.minutes).to.be.at.least(0);
          expect(stretch.setupMinutes ?? 0).to.be.at.least(0);
        }
      }),
    );
  });
});
