import { expect } from 'chai';
import { endingAdvice } from '../../../../src/core/bench/guide/evening';
import { dryingPlaces, lookBacks, passesDoneOn, troubleSpots, viewBench } from '../../../../src/core/bench/guide/viewBench';
import type { BenchEvent } from '../../../../src/core/bench/definitions';
import { doneModels, foldMarks } from '../../../../src/core/bench/replay/foldMarks';
import { DEFAULT_HOUSE_RULES } from '../../../../src/core/scheme/model/houseRules';
import { START, tap, TestBench } from '../../../support/bench';
import { paint, part, roster, step, unit } from '../../../support/units';

const paints = new Map([paint('red'), paint('blue'), paint('dust'), paint('sand')].map((each) => [each.id, each]));
const scheme = () => [
  part('coat', step('basecoat', { paint: 'red' }), step('edge', { paint: 'blue' })),
  part('cap', step('basecoat', { paint: 'blue' })),
];
const bench = new TestBench(roster([unit('keepers', scheme(), [], { promised: 3 })], { paints }));
const [COAT, EDGE, CAP] = bench.line.passes as [
  (typeof bench.line.passes)[0],
  (typeof bench.line.passes)[0],
  (typeof bench.line.passes)[0],
];
const { started, done } = bench;
const minute = (minutes: number) => START + minutes * 60_000;
const view = (minutes: number, ...events: BenchEvent[]) => viewBench(bench.scene(events), minute(minutes));
const coated = [started(0, COAT), done(1, COAT, 1), done(2, COAT, 2), done(3, COAT, 3)];

describe('what the bench shows', () => {
  it('begins with the first job, which has to be started', () => {
    expect(view(0)).to.deep.include({ job: bench.job(COAT), needsStart: true, model: 1, modelsDone: 0, modelsTotal: 9 });
  });

  it('goes from model to model and on to the next job', () => {
    expect(view(2, ...coated.slice(0, 2))).to.deep.include({ job: bench.job(COAT), needsStart: false, model: 2 });
  });

  it('says before the start that a model is wet, and what could be done meanwhile', () => {
    const wet = view(4, ...coated);
    expect(wet.job).to.deep.equal(bench.job(EDGE));
    expect(wet).to.include({ needsStart: true, readyAt: minute(1 + 15) });
    expect(wet.offer).to.deep.include({ job: bench.job(CAP), ready: [1, 2, 3] });
    expect(wet.offer!.changeoverMinutes).to.equal(1.5);
  });

  it('goes on with the next model that is dry, and with the one chosen', () => {
    const events = [...coated, started(16.5, EDGE)];
    expect(view(16.5, ...events).model).to.equal(1);
    const other = [started(0, COAT), done(1, COAT, 2), done(9, COAT, 1), started(16.5, EDGE)];
    expect(view(16.5, ...other)).to.include({ model: 2 });
    const chosen = view(16.5, ...other, tap(16.6, 'picked', { unit: EDGE.unitId, models: [1] }));
    expect(chosen).to.include({ model: 1, dryModel: 2 });
    expect(chosen.readyAt).to.equal(minute(24));
  });

  it('passes over for the evening what was put off, until it is taken up all the same or nothing else is left', () => {
    const off = [started(0, COAT), tap(2, 'put-off', bench.of(COAT))];
    expect(view(3, ...off)).to.deep.include({ job: bench.job(CAP), needsStart: true, putOff: new Set([COAT.key]) });
    expect(
      view(3, ...off).nextJobs.map(({ passKey }) => passKey),
      'what waits for it waits with it',
    ).to.deep.equal([COAT.key, EDGE.key]);
    expect(view(3, ...off, started(3, COAT)).job, 'taken up').to.deep.equal(bench.job(COAT));
    expect(view(24 * 60, ...off).job, 'another evening').to.deep.equal(bench.job(COAT));
    expect(view(3, ...off, tap(3, 'undone', { target: off.at(-1)!.id })).job, 'taken back').to.deep.equal(bench.job(COAT));
    const rest = [CAP, EDGE].map((pass) => tap(2.5, 'left-out', { ...bench.of(pass), models: [1, 2, 3] }));
    expect(view(3, ...off, ...rest).job, 'nothing else').to.deep.equal(bench.job(COAT));
  });

  it('lets a wet model be started anyway', () => {
    const events = [...coated, started(5, EDGE, 1)];
    expect(view(5.5, ...events)).to.include({ model: 1, readyAt: 0, needsStart: false });
  });

  it('names the hard rule that a job would break, before it is started', () => {
    const broken = view(1, started(0, EDGE));
    expect(broken.broken[0]).to.deep.include({ before: COAT, reason: 'A layer goes over a dry layer.' });
    expect(broken.readyAt).to.equal(Infinity);
    expect(view(1).broken).to.deep.equal([]);
  });

  it('leaves a model out that was set aside, and takes it in again', () => {
    const aside = tap(1, 'set-aside', { unit: COAT.unitId, models: [1], note: 'arm broken' });
    expect(view(2, aside).model).to.equal(2);
    expect(view(2, aside, tap(1.5, 'brought-back', { unit: COAT.unitId, models: [1] })).model).to.equal(1);
  });

  it('keeps a dry model dry when a spot was missed on it', () => {
    const events = [...coated, bench.missed(30, COAT, 1, 2)];
    const seen = view(31, ...events);
    expect(seen.misses.map(({ model }) => model)).to.deep.equal([1, 2]);
    expect(seen).to.include({ readyAt: minute(16) });
    const after = view(32, ...events, tap(31, 'touched-up', { ...bench.of(COAT), models: [1] }));
    expect(after.misses.map(({ model }) => model)).to.deep.equal([2]);
  });

  it('has a miss on any step of a finished line', () => {
    const all = [1, 2, 3].flatMap((model) => [done(model, COAT, model), done(model + 40, EDGE, model), done(model + 50, CAP, model)]);
    const finished = view(60, ...all);
    expect(finished).to.include({ job: null, model: null, modelsDone: 9 });
    expect(view(61, ...all, bench.missed(60, CAP, 3)).misses).to.have.length(1);
  });

  it('paints a model again when what was painted does not hold any more', () => {
    const events = [...coated, tap(20, 'reopened', { ...bench.of(COAT), models: [2] })];
    expect(view(21, ...events)).to.deep.include({ job: bench.job(COAT), model: 2 });
    expect(view(22, ...events, tap(21, 'kept', { ...bench.of(COAT), models: [2] })).job).to.deep.equal(bench.job(EDGE));
  });

  it('lists what is wet, and the passes painted on a model, the latest first', () => {
    const scene = bench.scene([...coated, done(20, CAP, 1)]);
    expect(dryingPlaces(bench.scene(coated), minute(17.5)).map(({ model, passKey }) => [passKey, model])).to.deep.equal([[COAT.key, 3]]);
    expect(passesDoneOn(scene, COAT.unitId, 1).map((pass) => pass.key)).to.deep.equal([CAP.key, COAT.key]);
  });

  it('keeps what was really done when the scheme changes afterwards', () => {
    const { marks } = foldMarks(coated);
    expect(marks.get(COAT.key)!.get(1)).to.deep.include({ dryMinutes: 15, setupId: 'basecoat|red' });
    expect([...doneModels(marks, COAT.key)]).to.deep.equal([1, 2, 3]);
    expect([...doneModels(marks, 'unknown')]).to.deep.equal([]);
  });
});

describe('tools that rest', () => {
  const units = [
    unit('reeds', [part('stalks', step('drybrush', { paint: 'dust' })), part('base', step('drybrush', { paint: 'sand' }))], [], {
      promised: 2,
    }),
  ];
  const dusty = new TestBench(roster(units, { paints }));
  const [stalks, ground] = dusty.line.passes as [(typeof dusty.line.passes)[0], (typeof dusty.line.passes)[0]];
  const dusted = [dusty.started(0, stalks), dusty.done(1, stalks, 1), dusty.done(2, stalks, 2)];

  it('are not ready for another paint before they have rested', () => {
    expect(viewBench(dusty.scene(dusted), minute(3))).to.deep.include({ job: dusty.job(ground), toolReadyAt: minute(2 + 30) });
  });

  it('go on with their own paint at once, and another one is taken where there are two', () => {
    expect(viewBench(dusty.scene(dusted.slice(0, 2)), minute(3)).toolReadyAt).to.equal(0);
    const two = new TestBench(roster(units, { paints, house: { ...DEFAULT_HOUSE_RULES, dryBrushes: 2 } }));
    expect(viewBench(two.scene(dusted), minute(3)).toolReadyAt).to.equal(0);
  });
});

describe('advice at the bench', () => {
  const units = [
    unit('keepers', [part('coat', step('basecoat', { paint: 'red' }))], [step('wash', { paint: 'blue' })], { promised: 6 }),
    unit('cutters', [part('Coat', step('basecoat', { paint: 'red' }))], [], { promised: 6 }),
  ];
  const washing = new TestBench(roster(units, { paints }));
  const coat = washing.pass('coat');
  const wash = washing.pass(null);

  it('asks to look back at a wet wash, once, and says from when it may be judged', () => {
    const washed = [washing.started(0, wash), washing.done(1, wash, 1), washing.done(3, wash, 2)];
    const [look] = lookBacks(washing.scene(washed), minute(4));
    expect(look).to.deep.include({ models: [1, 2], judgeAt: minute(33) });
    expect(lookBacks(washing.scene(washed), minute(20))).to.deep.equal([]);
    const looked = tap(4, 'looked', { ...washing.of(wash), models: [1, 2] });
    expect(lookBacks(washing.scene([...washed, looked]), minute(4))).to.deep.equal([]);
  });

  it('shows places missed before on models still to do, in like units too', () => {
    const missed = { ...washing.missed(5, coat, 1, 2), note: 'under the arm' };
    const scene = washing.scene([washing.started(0, coat), washing.done(1, coat, 1), washing.done(2, coat, 2), missed]);
    expect(troubleSpots(scene, coat)).to.deep.equal({ models: 2, notes: ['under the arm'] });
    expect(troubleSpots(scene, washing.pass('Coat', 'cutters')).models).to.equal(2);
    expect(troubleSpots(scene, wash).models).to.equal(0);
  });

  it('says near the end of a session what still fits', () => {
    const scene = washing.scene([]);
    const session = [{ from: minute(-60), to: minute(20) }];
    const advice = endingAdvice(scene, viewBench(scene, minute(0)), session, minute(0))!;
    expect(advice.minutesLeft).to.equal(20);
    expect(advice.fits.map(({ job }) => job.passKey)).to.include(coat.key);
    expect(advice.rather.find(({ job }) => job.passKey === wash.key)!.why).to.equal('needs looking at');
    expect(endingAdvice(scene, viewBench(scene, minute(0)), [{ from: minute(-60), to: minute(120) }], minute(0))).to.equal(null);
  });
});
