import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { viewBench, lookBacks, troubleSpots } from '../../src/core/bench/guide/viewBench';
import type { BenchEvent } from '../../src/core/bench/definitions';
import type { BenchFigures } from '../../src/contract/bench';
import type { StoredLogRow } from '../../src/core/log/definitions';
import { Advice } from '../../src/islands/Bench/guide/Advice';
import { Instruction } from '../../src/islands/Bench/guide/Instruction';
import { mainSurface } from '../../src/islands/Bench/guide/mainSurface';
import { StartEarly } from '../../src/islands/Bench/guide/StartEarly';
import { LateTimes } from '../../src/islands/Bench/said/LateTimes';
import { MissPicker } from '../../src/islands/Bench/said/MissPicker';
import { References } from '../../src/islands/Bench/guide/References';
import { SidePanel } from '../../src/islands/Bench/around/SidePanel';
import { TrayStrip } from '../../src/islands/Bench/guide/TrayStrip';
import type { Bench } from '../../src/islands/Bench/taps/useBench';
import { START, tap, TestBench } from '../support/bench';
import { paint, part, roster, step, unit } from '../support/units';

const MINUTE = 60_000;
const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const scheme = () => [part('shirt', step('basecoat', { paint: 'red' })), part('hood', step('basecoat', { paint: 'blue' }))];
const shed = new TestBench(
  roster(
    ['Keepers', 'Cutters'].map((name) =>
      unit(name, scheme(), [step('prime', { paint: 'red' })], { promised: 4, leaders: 1, trayLimit: 4 }),
    ),
    { paints },
  ),
);
const prime = shed.pass(null);
const shirt = shed.pass('shirt');
const nothing = () => undefined;

const figures = (likely: number, p50: number): BenchFigures => ({
  figures: { likely, safe: likely + 30 } as BenchFigures['figures'],
  passes: shed.line.passes.map(({ key }) => ({ passKey: key, p50, why: '4 models of this step logged.' })),
  budgets: [],
  amounts: [],
  openRows: [],
});

/** The bench after some taps, as the view's parts get it. */
function benchAfter(events: BenchEvent[], minute: number, at = shed): Bench {
  const scene = at.scene(events);
  const view = viewBench(scene, START + minute * MINUTE);
  const pass = view.job && at.line.passes.find((each) => each.key === view.job!.passKey)!;
  return {
    line: at.line,
    units: new Map(at.line.units.map((each) => [each.id, each])),
    passes: new Map(at.line.passes.map((each) => [each.key, each])),
    paints,
    state: scene.state,
    clock: scene.clock,
    scene,
    view,
    job: view.job,
    pass,
    references: [],
    goesOnAt: Math.max(view.readyAt, view.toolReadyAt),
    isWaiting: Math.max(view.readyAt, view.toolReadyAt) > START + minute * MINUTE,
    figures: figures(100, 2),
    first: figures(120, 3),
    lookBacks: lookBacks(scene, START + minute * MINUTE),
    ending: null,
    trouble: pass ? troubleSpots(scene, pass) : { models: 0, notes: [] },
    drying: [],
    refreshFigures: nothing,
    mix: { state: 'none' },
  } as unknown as Bench;
}

const primed = [shed.started(0, prime), ...[1, 2, 3, 4].map((model) => shed.done(model, prime, model))];
const instruction = (minute: number, events: BenchEvent[] = [], at = shed) =>
  renderToStaticMarkup(
    <Instruction bench={benchAfter(events, minute, at)} now={START + minute * MINUTE} onMixKept={nothing} onStartEarly={nothing} />,
  );

describe('the big button', () => {
  const surface = (minute: number, ...events: BenchEvent[]) => mainSurface(benchAfter(events, minute));

  it('says what to do, and while all is wet only when it goes on and what could be done meanwhile', () => {
    expect(surface(40, ...primed)).to.deep.equal({ meaning: 'start', text: 'Start: base coat', more: null });
    expect(surface(41, ...primed, shed.started(40, shirt))).to.include({ meaning: 'done', text: 'Model 1 is done' });
    const wet = surface(20, ...primed, shed.started(20, shirt));
    expect(wet.meaning).to.equal('wet');
    expect(wet.text).to.match(/^Dry at \d\d:\d\d$/);
    expect(wet.more).to.match(/^Meanwhile: .*Cutters.*\(key D\)$/);
    expect(surface(41, ...primed, shed.started(40, shirt), tap(41, 'paused'))).to.include({ meaning: 'start', text: 'Go on' });
  });

  it('names the step that is missing, and does nothing about it', () => {
    expect(surface(1, shed.started(0, shirt))).to.include({ meaning: 'wet', text: 'Not yet: not primed yet' });
  });

  it('asks where it was pressed before anything wet is painted', () => {
    const button = (minute: number, ...events: BenchEvent[]) =>
      renderToStaticMarkup(<StartEarly bench={benchAfter(events, minute)} onStart={nothing} />);
    expect(button(20, ...primed, shed.started(20, shirt)))
      .to.include('Start early')
      .and.not.include('Paint it now');
  });
});

describe('the instruction', () => {
  it('shows the caution and no countdown where a spray can is taken up', () => {
    const can = new TestBench(roster([unit('Keepers', [], [step('prime', { paint: 'red' })])], { paints }));
    const markup = instruction(0, [], can);
    expect(markup).to.include('respirator').and.not.to.include('data-testid="clock"');
    const inHand = instruction(1, [can.started(0, can.pass(null))], can);
    expect(inHand).to.include('take the time it needs').and.not.to.include('data-testid="clock"');
  });

  it('runs the clock against the estimate, longer for a leader, and stops it in a pause', () => {
    const painting = [...primed, shed.started(40, shirt)];
    expect(instruction(41.5, painting)).to.match(/a leader.*>1:30<.*of about 3:12/s);
    const next = [...painting, shed.done(42, shirt, 1)];
    expect(instruction(43, next)).to.match(/>1:00<.*of about 2:00/s);
    expect(instruction(50, [...next, tap(43, 'paused')])).to.match(/>1:00<.*paused/s);
  });

  it('shows quietly what the price pays for a model, and never with a spray can in the hand', () => {
    const budgeted = (at: typeof shed, events: BenchEvent[], minute: number, spent: number) => {
      const bench = benchAfter(events, minute, at);
      const budgets = [{ unitId: bench.job!.unitId, level: null, models: 4, budget: 30, spent, needed: 12 }];
      return renderToStaticMarkup(
        <Instruction
          bench={{ ...bench, figures: { ...bench.figures, budgets } }}
          now={START + minute * MINUTE}
          onMixKept={nothing}
          onStartEarly={nothing}
        />,
      );
    };
    const painting = [...primed, shed.started(40, shirt)];
    expect(budgeted(shed, painting, 41, 10)).to.include('The price pays 30 min a model: 10 min spent, 20 min left, about 12 min to go');
    expect(budgeted(shed, painting, 41, 35)).to.include('35 min spent, 5 min over');
    const can = new TestBench(roster([unit('Keepers', [], [step('prime', { paint: 'red' })])], { paints }));
    expect(budgeted(can, [can.started(0, can.pass(null))], 1, 10)).to.not.include('The price pays');
  });

  it('says what to mix while there is none, what is on the palette, and asks of another evening’s whether it has kept', () => {
    const bench = benchAfter(primed, 40);
    const job = bench.job!;
    const amounts = [
      { unitId: job.unitId, potId: job.paintId!, passKey: null, text: '3 drops Red: enough for 4 models', short: 'Only 1 ml' },
    ];
    const said = (mix: Bench['mix']) =>
      renderToStaticMarkup(
        <Instruction
          bench={{ ...bench, mix, figures: { ...bench.figures, amounts } }}
          now={START + 40 * MINUTE}
          onMixKept={nothing}
          onStartEarly={nothing}
        />,
      );
    expect(said({ state: 'none' }))
      .to.include('Mix 3 drops Red')
      .and.include('Only 1 ml')
      .and.not.include('kept');
    expect(said({ state: 'in use', usedAt: START }))
      .to.include('on your palette')
      .and.not.include('Only 1 ml')
      .and.not.include('It has kept');
    expect(said({ state: 'old', usedAt: START }))
      .to.include('Has it kept?')
      .and.include('If not, mix 3 drops Red');
  });

  it('marks a clock that has run over by more than its figures', () => {
    expect(instruction(48, [...primed, shed.started(40, shirt)])).to.include('clock over');
  });

  it('says what is still wet, and what is not painted underneath, before it is started', () => {
    expect(instruction(20, [...primed, shed.started(20, shirt), tap(20, 'ended')])).to.match(/Model 1 is dry in 14 min/);
    expect(instruction(1, [shed.started(0, shirt)])).to.match(/everything, prime is not done on models 1 to 4: Primer first/);
  });

  it('shows the notes of the step and where it was missed before', () => {
    const noted = tap(41, 'noted', { ...shed.of(shirt), models: [2], note: 'thin it more' });
    const missed = { ...shed.missed(43, shirt, 1), note: 'under the arm' };
    const markup = instruction(44, [...primed, shed.started(40, shirt), noted, shed.done(42, shirt, 1), missed]);
    expect(markup).to.include('Model 2: thin it more').and.to.include('Missed before on 1 model: under the arm');
  });
});

describe('the tray', () => {
  const looks = (minute: number, events: BenchEvent[]) =>
    [
      ...renderToStaticMarkup(<TrayStrip bench={benchAfter(events, minute)} now={START + minute * MINUTE} onPick={nothing} />).matchAll(
        /data-look="(\w+)"/g,
      ),
    ].map((match) => match[1]);

  it('tells every model by its look', () => {
    const events = [...primed, shed.started(40, shirt), shed.done(42, shirt, 1), shed.done(44, shirt, 2), shed.missed(45, shirt, 2)];
    expect(looks(60, events)).to.deep.equal(['done', 'missed', 'now', 'todo']);
    expect(looks(60, [...events, tap(46, 'set-aside', { unit: shirt.unitId, models: [3] })])).to.deep.equal([
      'done',
      'missed',
      'aside',
      'now',
    ]);
  });

  it('hatches what still dries', () => {
    expect(looks(20, [...primed, shed.started(20, shirt)])).to.deep.equal(['now', 'wet', 'wet', 'wet']);
  });
});

describe('around the work', () => {
  const side = (events: BenchEvent[], minute: number) =>
    renderToStaticMarkup(
      <SidePanel bench={benchAfter(events, minute)} now={START + minute * MINUTE} onTakeUp={nothing} onBringBack={nothing} />,
    );

  it('says how the hours moved and why', () => {
    const markup = side([...primed, shed.started(40, shirt)], 40);
    expect(markup).to.include('1 h 40 min').and.to.include('2 h 10 min');
    expect(markup).to.include('−20 min since you opened this page');
    expect(markup).to.include('2 min a model (a leader 3.2 min), was 3 min').and.to.include('4 models of this step logged.');
  });

  it('lists what comes next, what was missed and what was set aside', () => {
    const markup = side([...primed, shed.missed(40, prime, 2), tap(41, 'set-aside', { unit: shirt.unitId, models: [3, 4] })], 60);
    expect(markup).to.match(/Missed spots.*model 2: everything, prime/s);
    expect(markup).to.match(/Set aside.*Keepers: 3 to 4/s);
    expect(markup).to.include('Start now: ').and.to.include('Everything is dry.');
  });
});

describe('reference pictures at the bench', () => {
  const picture = {
    id: 'p',
    commissionId: 'c',
    partId: null,
    kind: 'reference',
    closeness: 'loosely',
    caption: 'Box art',
    width: 9,
    height: 9,
  } as const;
  const shown = (references: object[]) =>
    renderToStaticMarkup(<References bench={{ ...benchAfter(primed, 40), references } as ReturnType<typeof benchAfter>} />);
  it('are those of the unit in hand, of its part or of all of it', () => {
    const of = (more: object) => ({ ...picture, addedAt: '', removedAt: null, ...more });
    expect(shown([of({ unitId: shirt.unitId })]))
      .to.include('Box art (follow loosely)')
      .and.to.include('/api/pictures/p');
    expect(shown([of({ unitId: shirt.unitId, partId: 'another part' })])).to.equal('');
    expect(shown([of({ unitId: 'another unit' })])).to.equal('');
    expect(shown([of({ unitId: shirt.unitId, kind: 'test model' })])).to.equal('');
  });
});

describe('advice under the work', () => {
  const advice = (events: BenchEvent[], minute: number) =>
    renderToStaticMarkup(
      <Advice
        bench={benchAfter(events, minute)}
        now={START + minute * MINUTE}
        onOffer={nothing}
        onLooked={nothing}
        onNotNeeded={nothing}
      />,
    );

  it('offers the next dry model, or another job with its cost, instead of waiting', () => {
    const apart = [shed.started(0, prime), ...[1, 2, 3].map((model) => shed.done(1, prime, model)), shed.done(30, prime, 4)];
    const picked = [...apart, shed.started(31, shirt), shed.done(33, shirt, 1), tap(33, 'picked', { unit: shirt.unitId, models: [4] })];
    const tray = advice(
      picked.filter((event) => event.kind !== 'picked'),
      34,
    );
    expect(tray).not.to.include('is dry.');
    expect(advice([...primed, tap(5, 'ended')], 5)).to.match(/Meanwhile: .*min to set up/);
  });
});

describe('times to fill in', () => {
  const row = {
    id: 'r',
    unit: 'Keepers',
    part: 'Coat',
    technique: 'basecoat',
    models: 10,
    startedAt: '2026-11-23T19:00:00Z',
    minutes: 0.1,
  } as StoredLogRow;
  const late = (more: Partial<StoredLogRow>) => renderToStaticMarkup(<LateTimes rows={[{ ...row, ...more }]} onSaved={nothing} />);

  it('ask how long late ticks took, and whether a gap was a break', () => {
    expect(late({ open: 'late' }))
      .to.include('1 job without a time')
      .and.to.include('Ticked off without time')
      .and.not.to.include('all the time');
    expect(late({ open: 'gap', minutes: 120 }))
      .to.include('Nothing was tapped for 2 h: was that a break?')
      .and.to.include('I painted all the time');
    expect(renderToStaticMarkup(<LateTimes rows={[]} onSaved={nothing} />)).to.equal('');
  });
});

describe('picking a miss', () => {
  const bench = benchAfter([...primed, shed.started(40, shirt), shed.done(42, shirt, 1)], 43);
  const picker = (choices: Parameters<typeof MissPicker>[0]['choices'], start: Parameters<typeof MissPicker>[0]['start'] = null) =>
    renderToStaticMarkup(<MissPicker bench={bench} choices={choices} start={start} onMiss={nothing} onCancel={nothing} />);

  it('offers the passes painted on the model, numbered', () => {
    expect(picker([shirt, prime])).to.match(
      /What was missed on model 2\?.*<kbd>1<\/kbd> shirt, base coat.*<kbd>2<\/kbd> everything, prime/s,
    );
  });

  it('lets several models be marked under any step that is done', () => {
    const markup = picker([], { passKey: prime.key, models: [2, 3] });
    expect(markup).to.match(/What was missed\?.*Keepers: everything, prime.*On which models\?/s);
    expect(markup).to.include('Mark 2 as missed');
  });
});
