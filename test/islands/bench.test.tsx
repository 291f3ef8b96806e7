import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { viewBench } from '../../src/core/bench/benchView';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { replayBench } from '../../src/core/bench/replayBench';
import type { CommissionEstimate } from '../../src/core/views/estimate';
import { Instruction } from '../../src/islands/Bench/Instruction';
import { MissPicker } from '../../src/islands/Bench/MissPicker';
import { SidePanel } from '../../src/islands/Bench/SidePanel';
import { TrayStrip } from '../../src/islands/Bench/TrayStrip';
import type { Bench } from '../../src/islands/Bench/useBench';
import { smallLine } from '../support/line';
import { paint } from '../support/units';

const START = Date.parse('2026-11-23T19:00:00Z');
const MINUTE = 60_000;
const { picture, plan } = smallLine();
const jobs = plan.order.map((id) => picture.jobs.find((job) => job.id === id)!);
const run = {
  stillWet: [],
  id: 'run',
  commissionId: 'c',
  startedAt: new Date(START).toISOString(),
  closedAt: null,
  jobs,
  problem: picture.problem,
};
const paints = [paint('red'), paint('blue')];

let ids = 0;
const tap = (minute: number, kind: BenchEvent['kind'], job: string, model: number | null = null): BenchEvent => ({
  id: `e${++ids}`,
  kind,
  at: new Date(START + minute * MINUTE).toISOString(),
  job,
  model,
  target: null,
  note: '',
});

const estimate = (likelyMinutes: number, p50: number): CommissionEstimate =>
  ({
    likelyMinutes,
    safeMinutes: likelyMinutes + 30,
    passes: jobs.map((job) => ({ passKey: job.passKey, p50, why: '4 models of this step logged.' })),
  }) as unknown as CommissionEstimate;

/** The bench after some taps, as the view's parts get it. */
function benchAfter(events: BenchEvent[], now = estimate(100, 2)): Bench {
  const state = replayBench(jobs, events);
  const view = viewBench(run, state);
  return {
    run,
    jobs: new Map(jobs.map((job) => [job.id, job])),
    job: jobs.find((job) => job.id === view.job) ?? null,
    state,
    view,
    estimate: now,
    before: estimate(120, 3),
    drying: () => [],
  } as unknown as Bench;
}

const [prime] = jobs.filter((job) => job.technique === 'prime');
const shirt = jobs.find((job) => job.partName === 'shirt')!;
const primed = prime!.models.map((model) => tap(model, 'done', prime!.id, model));
const instruction = (bench: Bench, minute: number) =>
  renderToStaticMarkup(<Instruction bench={bench} paints={paints} now={START + minute * MINUTE} />);

describe('the instruction', () => {
  it('shows the caution and no countdown where a spray can is taken up', () => {
    const markup = instruction(benchAfter([]), 0);
    expect(markup).to.include('respirator');
    expect(markup).not.to.include('data-testid="clock"');
  });

  it('goes on without a countdown while the can is in the hand', () => {
    const markup = instruction(benchAfter([tap(0, 'started', prime!.id)]), 5);
    expect(markup).to.include('take the time it needs').and.not.to.include('data-testid="clock"');
  });

  it('runs the clock against the estimate, and stops it in a pause', () => {
    const painting = [...primed, tap(40, 'started', shirt.id)];
    expect(instruction(benchAfter(painting), 41.5)).to.match(/>1:30<.*of about 2:00/s);
    expect(instruction(benchAfter([...painting, tap(41, 'paused', shirt.id)]), 50)).to.match(/>1:00<.*paused/s);
  });

  it('marks a clock that has run over by more than its figures', () => {
    expect(instruction(benchAfter([...primed, tap(40, 'started', shirt.id)]), 44)).to.include('clock over');
  });

  it('says what is still wet, and what is not painted underneath', () => {
    const early = benchAfter([...primed, tap(20, 'started', shirt.id)]);
    expect(instruction(early, 20)).to.match(/Model 1 is dry in 14 min/);
    expect(instruction(benchAfter([tap(0, 'started', shirt.id)]), 1)).to.include('Something under this is not painted on model 1 yet');
  });
});

describe('the tray', () => {
  const looks = (bench: Bench, minute: number) =>
    [...renderToStaticMarkup(<TrayStrip bench={bench} now={START + minute * MINUTE} />).matchAll(/data-look="(\w+)"/g)].map(
      (match) => match[1],
    );

  it('tells every model by its look', () => {
    const events = [
      ...primed,
      tap(40, 'started', shirt.id),
      tap(42, 'done', shirt.id, 1),
      tap(44, 'done', shirt.id, 2),
      tap(45, 'missed', shirt.id, 2),
    ];
    expect(looks(benchAfter(events), 60)).to.deep.equal(['done', 'missed', 'now', 'todo']);
  });

  it('hatches what still dries', () => {
    expect(looks(benchAfter([...primed, tap(20, 'started', shirt.id)]), 20)).to.deep.equal(['now', 'wet', 'wet', 'wet']);
  });
});

describe('around the work', () => {
  const side = (bench: Bench) => renderToStaticMarkup(<SidePanel bench={bench} paints={paints} now={START} onTakeUp={() => undefined} />);

  it('says how the hours moved and why', () => {
    const markup = side(benchAfter([...primed, tap(40, 'started', shirt.id)]));
    expect(markup).to.include('1 h 40 min').and.to.include('2 h 10 min');
    expect(markup).to.include('−20 min since this window was opened');
    expect(markup).to.include('2 min a model, was 3 min').and.to.include('4 models of this step logged.');
  });

  it('lists what comes next and what was missed', () => {
    const markup = side(benchAfter([...primed, tap(40, 'missed', prime!.id, 2)]));
    expect(markup).to.match(/Missed spots.*model 2/s);
    expect(markup).to.include('Take up now');
    expect(markup).to.include('Nothing is wet.');
  });
});

describe('picking a miss', () => {
  it('offers the passes painted on the model, numbered', () => {
    const markup = renderToStaticMarkup(
      <MissPicker model={2} choices={[shirt, prime!]} onPick={() => undefined} onCancel={() => undefined} />,
    );
    expect(markup).to.match(/What was missed on model 2\?.*<kbd>1<\/kbd> shirt, base coat.*<kbd>2<\/kbd> everything, prime/s);
  });

  it('says so when nothing was painted yet', () => {
    expect(renderToStaticMarkup(<MissPicker model={2} choices={[]} onPick={() => undefined} onCancel={() => undefined} />)).to.include(
      'Nothing was painted on model 2',
    );
  });
});
