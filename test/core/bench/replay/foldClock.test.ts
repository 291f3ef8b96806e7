import { expect } from 'chai';
import { clockAt, foldClock } from '../../../../src/core/bench/replay/foldClock';
import { foldMarks } from '../../../../src/core/bench/replay/foldMarks';
import type { BenchEvent, Stretch } from '../../../../src/core/bench/definitions';
import { logRowsOf } from '../../../../src/core/bench/replay/logRowsOf';
import { tap, START, TestBench } from '../../../support/bench';
import { Random, seeds } from '../../../support/random';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const bench = new TestBench(
  roster(
    [
      unit('keepers', [part('coat', step('basecoat', { paint: 'red' })), part('cap', step('layer', { paint: 'blue' }))], [], {
        promised: 8,
        leaders: 2,
      }),
    ],
    { paints },
  ),
);
const COAT = bench.pass('coat');
const CAP = bench.pass('cap');
const { started, done } = bench;
const at = (minute: number) => new Date(START + minute * 60_000).toISOString();
const stretches = (...events: BenchEvent[]) => foldClock(events).stretches;
const told = ({ models, minutes, open }: Stretch) => [models.length, Number(minutes.toFixed(3)), open];
const minutesOf = (...events: BenchEvent[]) => stretches(...events).map(told);

describe('the one clock of the bench', () => {
  it('adds up hands-on minutes of a stretch from tap to tap', () => {
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), done(5, COAT, 4))).to.deep.equal([[2, 5, null]]);
  });

  it('leaves pauses out, also when work goes on without a resume', () => {
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), tap(3, 'paused'), tap(10, 'resumed'), done(11, COAT, 4))).to.deep.equal([
      [2, 4, null],
    ]);
    expect(minutesOf(started(0, COAT), tap(3, 'paused'), done(10, COAT, 3))).to.deep.equal([[1, 3, null]]);
  });

  it('leaves a pause out of set-up too', () => {
    const [, second] = stretches(
      started(0, COAT),
      done(2, COAT, 3),
      tap(3, 'paused'),
      tap(13, 'resumed'),
      started(15, CAP),
      done(17, CAP, 3),
    );
    expect(second!.setupMinutes).to.equal(3);
  });

  it('counts a break that is only marked afterwards', () => {
    const events = [started(0, COAT), done(2, COAT, 3), done(62, COAT, 4), tap(2.001, 'paused'), tap(60, 'resumed')];
    expect(stretches(...events)[0]!.minutes).to.be.closeTo(4, 0.01);
  });

  it('takes a pause back when that was the last tap, and no model', () => {
    const pause = tap(3, 'paused');
    const events = [started(0, COAT), done(2, COAT, 3), pause];
    expect(foldClock(events).clock.lastUndoable!.id).to.equal(pause.id);
    const undone = foldClock([...events, tap(3.5, 'undone', { target: pause.id })]).clock;
    expect(undone.pausedSince).to.equal(null);
    expect(
      foldMarks([...events, tap(3.5, 'undone', { target: pause.id })])
        .marks.get(COAT.key)!
        .has(3),
    ).to.equal(true);
  });

  it('takes an undone tap back and gives its time to the next', () => {
    const wrong = done(2, COAT, 3);
    expect(minutesOf(started(0, COAT), wrong, tap(2.5, 'undone', { target: wrong.id }), done(3, COAT, 3))).to.deep.equal([[1, 3, null]]);
  });

  it('knows the facts of a stretch whose start was undone', () => {
    const start = started(0, COAT);
    const rows = logRowsOf(stretches(start, done(2, COAT, 3), tap(3, 'undone', { target: start.id })));
    expect(rows[0]).to.include({ unit: 'keepers', technique: 'basecoat', models: 1 });
  });

  it('weighs leaders by their factor', () => {
    const [row] = logRowsOf(stretches(started(0, COAT), done(3.2, COAT, 1), done(6.4, COAT, 2), done(8.4, COAT, 3)));
    expect(row).to.include({ models: 3, weight: 4.2, minutes: 8.4 });
  });

  it('counts from when a wet model may be worked on', () => {
    const waited = { ...done(20, COAT, 4), readyAt: at(17) };
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), waited)).to.deep.equal([[2, 5, null]]);
  });

  it('counts from when the painter starts anyway', () => {
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), started(10, COAT, 4), done(12, COAT, 4))).to.deep.equal([[2, 4, null]]);
  });

  it('counts one model tapped on two devices once, and its time once', () => {
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), done(2.1, COAT, 3), done(4, COAT, 4))).to.deep.equal([[2, 4, null]]);
  });

  it('counts an hour once when two commissions are open', () => {
    const events = [started(0, COAT), done(2, COAT, 3), started(3, CAP), done(5, CAP, 3), started(6, COAT), done(8, COAT, 4)];
    expect(stretches(...events).reduce((sum, stretch) => sum + stretch.minutes + (stretch.setupMinutes ?? 0), 0)).to.equal(8);
  });

  it('never takes a night for minutes: the model is marked and its time is open', () => {
    const events = [started(0, COAT), done(2, COAT, 3), done(22 * 60, COAT, 4)];
    expect(minutesOf(...events)).to.deep.equal([
      [1, 2, null],
      [1, 0, 'gap'],
    ]);
    expect([...foldMarks(events).marks.get(COAT.key)!.keys()]).to.deep.equal([3, 4]);
  });

  it('asks about a gap longer than anybody paints, within an evening too', () => {
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), done(122, COAT, 4))).to.deep.equal([
      [1, 2, null],
      [1, 120, 'gap'],
    ]);
  });

  it('takes forty models ticked off within seconds as marks without time', () => {
    const models = [3, 4, 5, 6, 7, 8];
    const ticked = models.map((model, index) => done(0.05 + index * 0.01, COAT, model));
    expect(minutesOf(started(0, COAT), ...ticked)).to.deep.equal([[6, 0.1, 'late']]);
  });

  it('gives models ticked together the time they were painted in', () => {
    const ticked = [3, 4, 5, 6].map((model, index) => done(8 + index * 0.02, COAT, model));
    expect(
      minutesOf(started(0, COAT), ...ticked).map(([models, minutes, open]) => [models, Math.round(minutes as number), open]),
    ).to.deep.equal([[4, 8, null]]);
  });

  it('takes minutes that the painter tells for what they are', () => {
    const sheet = { ...done(30, CAP, 3, 4, 5), facts: bench.facts(CAP), minutes: 9 };
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), sheet)).to.deep.equal([
      [1, 2, null],
      [3, 9, null],
    ]);
    expect(minutesOf({ ...sheet, minutes: 0 })).to.deep.equal([[3, 0, 'late']]);
    const { clock } = foldClock([started(0, COAT), done(2, COAT, 3), sheet]);
    expect(clock.current!.passKey, 'what is in hand stays there').to.equal(COAT.key);
  });

  it('asks about models ticked quickly after minutes that were told, and gives them none of those', () => {
    const sheet = { ...done(30, COAT, 3, 4), facts: bench.facts(COAT), minutes: 8 };
    const ticked = [5, 6].map((model, index) => done(30.05 + index / 100, COAT, model));
    expect(minutesOf(started(0, COAT), done(2, COAT, 7), sheet, ...ticked).map(([models, , open]) => [models, open])).to.deep.equal([
      [1, null],
      [2, null],
      [2, 'late'],
    ]);
    const alone = [sheet, ...[5, 6].map((model, index) => done(30.05 + index / 100, COAT, model))];
    expect(minutesOf(...alone).map(([models, , open]) => [models, open])).to.deep.equal([
      [2, null],
      [2, 'late'],
    ]);
  });

  describe('before a start', () => {
    const setup = (...events: BenchEvent[]) => {
      const { setupMinutes, setupFrom, setupTo } = stretches(...events).at(-1)!;
      return [setupMinutes === null ? null : Number(setupMinutes.toFixed(3)), setupFrom, setupTo];
    };
    const begun = [started(0, COAT), done(2, COAT, 3)];

    it('measures the change from one setup to the next', () => {
      expect(setup(...begun, started(5, CAP), done(7, CAP, 3))).to.deep.equal([3, 'basecoat|red', 'layer|blue']);
    });

    it('takes waiting for paint to dry for no set-up, and learns nothing from what was set up meanwhile', () => {
      const waited = { ...started(34, CAP), readyAt: at(33) };
      expect(setup(...begun, waited, done(36, CAP, 3))).to.deep.equal([1, null, null]);
    });

    it('takes a gap longer than anybody sets up for none', () => {
      expect(setup(...begun, started(37, CAP), done(39, CAP, 3))).to.deep.equal([null, null, null]);
    });

    it('measures the first set-up of a sitting from when the painter sat down', () => {
      const first = { ...started(600, CAP), readyAt: at(596) };
      expect(setup(...begun, tap(3, 'ended'), first, done(602, CAP, 3))).to.deep.equal([4, '', 'layer|blue']);
      expect(setup({ ...first, readyAt: null }, done(602, CAP, 3))).to.deep.equal([null, null, null]);
      expect(setup({ ...first, readyAt: at(500) }, done(602, CAP, 3))).to.deep.equal([null, null, null]);
    });

    it('takes the tray fetched with the pot in hand off the first model on it, as planned', () => {
      const fetched = { ...done(5, COAT, 7), fetchMinutes: 0.5 };
      expect(minutesOf(...begun, fetched, done(7, COAT, 8))).to.deep.equal([
        [1, 2, null],
        [2, 4.5, null],
      ]);
      expect(setup(...begun, fetched)).to.deep.equal([0.5, null, null]);
      expect(setup(...begun, { ...done(2.9, COAT, 7), fetchMinutes: 0.5 })).to.deep.equal([0.45, null, null]);
    });
  });

  it('stops at the end of the evening and counts set-up anew', () => {
    const events = [started(0, COAT), done(2, COAT, 3), tap(3, 'ended'), started(20, COAT), done(22, COAT, 4)];
    expect(minutesOf(...events)).to.deep.equal([
      [1, 2, null],
      [1, 2, null],
    ]);
    expect(stretches(...events)[1]!.setupMinutes).to.equal(null);
    expect(foldClock(events.slice(0, 3)).clock.current).to.equal(null);
  });

  it('is idle the morning after', () => {
    const { clock } = foldClock([started(0, COAT), done(2, COAT, 3)]);
    expect(clockAt(clock, START + 60_000 * 60).current).not.to.equal(null);
    expect(clockAt(clock, START + 60_000 * 600)).to.include({ current: null, workingSince: null });
  });

  it('keeps the row of a stretch while it grows, and writes notes on it', () => {
    const events = [started(0, COAT), done(2, COAT, 3)];
    const noted = tap(2.5, 'noted', { ...bench.of(COAT), note: 'thin it more' });
    const [before] = logRowsOf(stretches(...events));
    const [after] = logRowsOf(stretches(...events, noted, done(4, COAT, 4)));
    expect(after!.id).to.equal(before!.id);
    expect(after).to.include({ models: 2, note: 'thin it more' });
  });

  it('closes a missed spot with a touch-up of its own time', () => {
    const touched = tap(5, 'touched-up', { ...bench.of(COAT), models: [3], facts: bench.facts(COAT) });
    const [, row] = logRowsOf(stretches(started(0, COAT), done(2, COAT, 3), bench.missed(4, COAT, 3), touched));
    expect(row).to.include({ technique: 'touchup', minutes: 3, models: 1 });
  });

  it('knows only the time of work elsewhere', () => {
    expect(minutesOf(started(0, COAT), done(2, COAT, 3), tap(30, 'elsewhere'), started(32, COAT), done(34, COAT, 4))).to.deep.equal([
      [1, 2, null],
      [1, 2, null],
    ]);
  });

  for (const seed of seeds(80)) {
    it(`gives the same stretches in any order of arrival, from any cut, and sitting by sitting (evenings ${seed})`, () => {
      const events = randomEvenings(new Random(seed));
      const whole = foldClock(events);
      const random = new Random(seed + 1000);
      const arrived = random.shuffle([...events, ...events.filter(() => random.chance(0.4))]);
      expect(foldClock(arrived)).to.deep.equal(whole);
      expect(foldMarks(arrived)).to.deep.equal(foldMarks(events));

      // Undoings go with what they undo, as the program cuts its past.
      const undone = new Set(events.map((event) => event.target));
      const effective = events.filter((event) => event.kind !== 'undone' && !undone.has(event.id));
      const cut = random.whole(0, effective.length);
      const first = foldClock(effective.slice(0, cut), {
        knownFacts: (key) => bench.facts(bench.line.passes.find((pass) => pass.key === key)!),
      });
      const marked = foldMarks(effective.slice(0, cut)).marks;
      expect(foldClock(effective.slice(cut), { before: first.clock, marked }).clock).to.deep.equal(
        // An event taken back was the last that could be; the cut has none of those.
        foldClock(effective).clock,
      );
      for (const stretch of whole.stretches) expect(stretch.minutes).to.be.at.least(0);
    });
  }
});

/** Two evenings of any taps. */
function randomEvenings(random: Random): BenchEvent[] {
  const events: BenchEvent[] = [];
  for (const evening of [0, 1440]) {
    for (let minute = 0; minute < 60; minute += random.whole(1, 5)) {
      const pass = random.pick([COAT, CAP]);
      const kind = random.pick([
        'started',
        'done',
        'done',
        'done',
        'paused',
        'resumed',
        'missed',
        'touched-up',
        'noted',
        'reopened',
        'picked',
        'ended',
        'undone',
      ] as const);
      const ofPass = !['paused', 'resumed', 'ended', 'undone'].includes(kind);
      events.push(
        tap(evening + minute, kind, {
          ...(ofPass && { ...bench.of(pass), facts: bench.facts(pass) }),
          models: ofPass && kind !== 'started' ? [random.whole(1, 8)] : [],
          target: kind === 'undone' && events.length > 0 ? random.pick(events).id : null,
        }),
      );
    }
  }
  return events;
}
