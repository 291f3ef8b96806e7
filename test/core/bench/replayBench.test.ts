import { expect } from 'chai';
import { dryingModels, passesDoneOn, readyAt, viewBench, type RunPlan } from '../../../src/core/bench/benchView';
import type { BenchEvent, BenchEventKind } from '../../../src/core/bench/definitions';
import { logRowsOf } from '../../../src/core/bench/logRowsOf';
import { doneModels, mergeMarks } from '../../../src/core/bench/mergeMarks';
import { replayBench } from '../../../src/core/bench/replayBench';
import { buildLine } from '../../../src/core/scheme/buildLine';
import { Random, seeds } from '../../support/random';
import { paint, part, roster, step, unit } from '../../support/units';

const START = Date.parse('2026-11-23T19:00:00Z');
const coat = step('basecoat', { paintId: 'red' });
const edge = step('edge', { paintId: 'blue' });
const built = buildLine(
  roster([unit('keepers', [part('coat', coat, edge)], [], { promised: 3 })], {
    paints: new Map([paint('red'), paint('blue')].map((each) => [each.id, each])),
  }),
);
const plan: RunPlan & { jobs: typeof built.jobs } = { jobs: built.jobs, problem: built.problem };
const [COAT, EDGE] = built.jobs.map((job) => job.id) as [string, string];

let ids = 0;
/** An event so many minutes after the start. */
const tap = (minute: number, kind: BenchEventKind, more: Partial<BenchEvent> = {}): BenchEvent => ({
  id: `e${String(++ids).padStart(4, '0')}`,
  kind,
  at: new Date(START + minute * 60_000).toISOString(),
  job: null,
  model: null,
  target: null,
  note: '',
  ...more,
});
const started = (minute: number, job = COAT) => tap(minute, 'started', { job });
const done = (minute: number, model: number, job = COAT) => tap(minute, 'done', { job, model });
const replay = (...events: BenchEvent[]) => replayBench(built.jobs, events);
const minutesOf = (...events: BenchEvent[]) => replay(...events).stretches.map((stretch) => [stretch.job, stretch.models, stretch.minutes]);

describe('replaying the bench', () => {
  it('adds up hands-on minutes of a stretch from mark to mark', () => {
    expect(minutesOf(started(0), done(2, 1), done(5, 2))).to.deep.equal([[COAT, 2, 5]]);
  });

  it('leaves pauses out, also when work goes on without a resume', () => {
    expect(minutesOf(started(0), done(2, 1), tap(3, 'paused'), tap(10, 'resumed'), done(11, 2))).to.deep.equal([[COAT, 2, 4]]);
    expect(minutesOf(started(0), tap(3, 'paused'), done(10, 1))).to.deep.equal([[COAT, 1, 3]]);
  });

  it('counts a break that is only marked afterwards', () => {
    expect(minutesOf(started(0), done(2, 1), done(62, 2), tap(2.001, 'paused'), tap(60, 'resumed'))[0]![2]).to.be.closeTo(4, 0.01);
  });

  it('takes an undone tap back and gives its time to the next', () => {
    const wrong = done(2, 1);
    const state = replay(started(0), wrong, tap(2.5, 'undone', { target: wrong.id }), done(3, 1));
    expect(state.stretches.map((stretch) => stretch.minutes)).to.deep.equal([3]);
    expect(state.marks.get(`${coat.id}#1`)!.size).to.equal(1);
  });

  it('opens a stretch for each job and measures its setup', () => {
    const state = replay(started(0), done(2, 1), done(3, 2), done(4, 3), started(7, EDGE), done(9, 1, EDGE));
    expect(state.stretches).to.deep.include.members([
      { ...state.stretches[1]!, job: EDGE, models: 1, minutes: 2, setupMinutes: 3, touchUp: false },
    ]);
    expect(state.stretches[0]!.setupMinutes).to.equal(null);
  });

  it('counts a new sitting as no setup', () => {
    expect(replay(started(0), done(2, 1), started(600, EDGE), done(603, 1, EDGE)).stretches[1]!.setupMinutes).to.equal(null);
  });

  it('goes on with the next job of a leg without a start', () => {
    expect(minutesOf(started(0), done(2, 1), done(4, 1, EDGE))).to.deep.equal([
      [COAT, 1, 2],
      [EDGE, 1, 2],
    ]);
  });

  it('reopens a missed spot and closes it with a touch-up of its own time', () => {
    const events = [started(0), done(2, 1), started(3, EDGE), tap(4, 'missed', { job: COAT, model: 1 })];
    expect(viewBench(plan, replay(...events)).misses).to.deep.equal([{ job: COAT, model: 1 }]);
    const after = replay(...events, tap(5, 'touched-up', { job: COAT, model: 1 }));
    expect(viewBench(plan, after).misses).to.deep.equal([]);
    expect(after.stretches.at(-1)).to.include({ job: COAT, touchUp: true, minutes: 2 });
  });

  it('keeps notes, and skips events of jobs the run does not have', () => {
    const state = replay(tap(1, 'noted', { job: COAT, model: 2, note: 'thin it more' }), done(2, 1, 'elsewhere'));
    expect(state.notes.map((note) => note.text)).to.deep.equal(['thin it more']);
    expect(state.marks.size).to.equal(0);
  });

  it('offers the last tap that counts for taking back', () => {
    const last = done(3, 2);
    const state = replay(started(0), done(2, 1), last, tap(4, 'paused'));
    expect(state.lastUndoable!.id).to.equal(last.id);
    expect(replay(started(0), last, tap(5, 'undone', { target: last.id })).lastUndoable!.kind).to.equal('started');
  });

  for (const seed of seeds(60)) {
    it(`gives the same state in any order of arrival and with any repetition (evening ${seed})`, () => {
      const random = new Random(seed);
      const events: BenchEvent[] = [];
      for (let minute = 0; minute < 40; minute += random.whole(1, 4)) {
        const job = random.pick([COAT, EDGE]);
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
          'undone',
        ] as const);
        const target = kind === 'undone' && events.length > 0 ? random.pick(events).id : null;
        events.push(
          tap(minute, kind, { job: ['paused', 'resumed', 'undone'].includes(kind) ? null : job, model: random.whole(1, 3), target }),
        );
      }
      const expected = replay(...events);
      for (let round = 0; round < 4; round++) {
        const arrived = random.shuffle([...events, ...events.filter(() => random.chance(0.4))]);
        expect(replay(...arrived)).to.deep.equal(expected);
      }
      for (const stretch of expected.stretches) expect(stretch.minutes).to.be.at.least(0);
      expect(expected.stretches.reduce((sum, stretch) => sum + stretch.minutes, 0)).to.be.at.most(40);
    });
  }
});

describe('what the bench shows', () => {
  it('begins with the first job, which has to be started', () => {
    expect(viewBench(plan, replay())).to.include({ job: COAT, needsStart: true, model: 1, modelsDone: 0, modelsTotal: 6 });
  });

  it('goes from model to model and on to the next job', () => {
    const halfway = viewBench(plan, replay(started(0), done(2, 1)));
    expect(halfway).to.include({ job: COAT, needsStart: false, model: 2 });
    const next = viewBench(plan, replay(started(0), done(1, 1), done(2, 2), done(3, 3)));
    expect(next).to.include({ job: EDGE, needsStart: true, model: 1, readyAt: START + (1 + 15) * 60_000 });
  });

  it('stays with a job taken up out of order', () => {
    expect(viewBench(plan, replay(started(0, EDGE)))).to.include({ job: EDGE, needsStart: false, readyAt: Infinity });
  });

  it('has nothing left when every model of every job is done', () => {
    const all = [1, 2, 3].flatMap((model) => [done(model, model), done(model + 5, model, EDGE)]);
    expect(viewBench(plan, replay(...all))).to.include({ job: null, model: null, modelsDone: 6 });
  });

  it('knows what is wet and when it is dry', () => {
    const state = replay(started(0), done(2, 1), done(3, 2));
    expect(dryingModels(plan, state, START + 10 * 60_000)).to.deep.equal([
      { job: COAT, model: 1, dryAt: START + 17 * 60_000 },
      { job: COAT, model: 2, dryAt: START + 18 * 60_000 },
    ]);
    expect(dryingModels(plan, state, START + 18 * 60_000)).to.deep.equal([]);
    expect(readyAt(plan, state, built.jobs[1]!, 3)).to.equal(Infinity);
  });

  it('lists the passes painted on a model, the latest first', () => {
    const state = replay(started(0), done(2, 1), done(20, 1, EDGE));
    expect(passesDoneOn(plan, state, built.jobs[0]!.unitId, 1).map((job) => job.id)).to.deep.equal([EDGE, COAT]);
  });
});

describe('from the bench to the log', () => {
  it('writes a row for every stretch, named as the log names steps', () => {
    const [row] = logRowsOf('Tide coast', plan, [started(0), done(2, 1), done(3.5, 2)]);
    expect(row).to.deep.include({
      commission: 'Tide coast',
      unit: 'keepers',
      part: 'coat',
      technique: 'basecoat',
      size: 'foot',
      coverage: 0.2,
      models: 2,
      minutes: 3.5,
      startedAt: '2026-11-23T19:00:00.000Z',
    });
  });

  it('keeps the id of a row while its stretch grows, and leaves taps without time out', () => {
    const events = [started(0), done(2, 1)];
    expect(logRowsOf('c', plan, events)[0]!.id).to.equal(logRowsOf('c', plan, [...events, done(4, 2)])[0]!.id);
    expect(logRowsOf('c', plan, [done(2, 1)])).to.deep.equal([]);
  });

  it('keeps the latest mark over several runs', () => {
    const first = replay(started(0), done(2, 1));
    const second = replay(tap(9, 'missed', { job: COAT, model: 1 }), done(10, 2));
    const marks = mergeMarks([second, first]);
    expect(marks.get(`${coat.id}#1`)!.get(1)!.state).to.equal('missed');
    expect([...doneModels(marks, `${coat.id}#1`)]).to.have.members([1, 2]);
    expect([...doneModels(marks, 'unknown')]).to.deep.equal([]);
  });
});
