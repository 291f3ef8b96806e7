import { expect } from 'chai';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { doneModels } from '../../src/core/bench/replay/foldMarks';
import { viewBench } from '../../src/core/bench/guide/viewBench';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/model/houseRules';
import { benchActions } from '../../src/islands/Bench/taps/benchActions';
import type { NewEvent } from '../../src/islands/client/taps/useOutbox';
import { START, tap, TestBench } from '../support/bench';
import { paint, part, roster, step, unit } from '../support/units';

const paints = new Map([paint('red'), paint('blue')].map((each) => [each.id, each]));
const scheme = [
  part('coat', step('basecoat', { paint: 'red' }), step('edge', { paint: 'blue' })),
  part('cap', step('basecoat', { paint: 'blue' })),
];
const minute = (minutes: number) => START + minutes * 60_000;

/** A bench at which taps are recorded at once, with no window and no server. */
class TappedAlone {
  readonly bench = new TestBench(roster([unit('keepers', scheme, [], { promised: 3 })], { paints }));
  readonly events: BenchEvent[] = [];
  readonly asked: [string, string, object][] = [];
  minutes = 0;

  get scene() {
    return this.bench.scene(this.events);
  }
  get view() {
    return viewBench(this.scene, minute(this.minutes));
  }
  get said() {
    return this.events.map(({ kind, models }) => [kind, ...models]);
  }
  get painted() {
    return this.bench.line.passes.map(({ key }) => [...doneModels(this.scene.state.marks, key)]);
  }

  /** What the taps of this moment can say. */
  at(minutes: number) {
    this.minutes = minutes;
    const { line } = this.bench;
    const { view } = this;
    return benchActions(
      {
        line,
        house: DEFAULT_HOUSE_RULES,
        paints,
        units: new Map(line.units.map((each) => [each.id, each])),
        passes: new Map(line.passes.map((each) => [each.key, each])),
        events: this.events,
        figures: { passes: [] },
        clock: this.scene.clock,
        view,
        arrivedAt: START,
        goesOnAt: view.job === null || view.model === null ? 0 : Math.max(view.readyAt, view.toolReadyAt),
        factsFor: (key) => this.bench.facts(line.passes.find((each) => each.key === key)!),
      },
      {
        record: (...taps: NewEvent[]) =>
          void this.events.push(...taps.map(({ kind, ...more }, at) => tap(minutes + at / 1000, kind, more as Partial<BenchEvent>))),
        changeScheme: (method, path, body) => void this.asked.push([method, path, body]),
        reloadLater: () => undefined,
      },
      minute(minutes),
    );
  }
}

describe('a tap at the bench', () => {
  it('takes a job up, then paints one model after the other, and says the facts once', () => {
    const hand = new TappedAlone();
    for (const minutes of [0, 1, 2, 3]) hand.at(minutes).main();
    expect(hand.said).to.deep.equal([['started'], ['done', 1], ['done', 2], ['done', 3]]);
    expect(hand.painted[0]).to.deep.equal([1, 2, 3]);
    expect(hand.events.map(({ facts }) => facts !== null)).to.deep.equal([true, false, false, false]);
  });

  it('paints nothing that is wet, unless it is begun early or something else is taken', () => {
    const hand = new TappedAlone();
    for (const minutes of [0, 1, 2, 3, 4, 5]) hand.at(minutes).main();
    expect(hand.said, 'the edge waits for the coat').to.have.lengthOf(4);
    hand.at(6).takeOffer();
    hand.at(7).main();
    expect(hand.said.slice(4)).to.deep.equal([['started'], ['done', 1]]);
    expect(hand.painted[2], 'the cap').to.deep.equal([1]);
    const early = new TappedAlone();
    for (const minutes of [0, 1, 2, 3]) early.at(minutes).main();
    early.at(4).startEarly();
    expect(early.said.at(-1)).to.deep.equal(['started', 1]);
  });

  it('undoes the last thing, sets aside and brings back, and goes on after a break', () => {
    const hand = new TappedAlone();
    for (const minutes of [0, 1, 2]) hand.at(minutes).main();
    hand.at(3).undo();
    expect(hand.painted[0]).to.deep.equal([1]);
    hand.at(4).setAside();
    expect(hand.view.model, 'the next one').to.equal(3);
    hand.at(5).bringBack('unit-keepers', [2]);
    expect(hand.view.model).to.equal(2);
    hand.at(6).pause();
    hand.at(7).main();
    expect(hand.said.slice(-2)).to.deep.equal([['paused'], ['resumed']]);
    expect(hand.painted[0], 'a break paints nothing').to.deep.equal([1]);
  });

  it('leaves out, opens again and puts off what is decided, and asks the scheme for another coat', () => {
    const hand = new TappedAlone();
    const [coat] = hand.bench.line.passes;
    hand.at(0).main();
    hand.at(1).notNeeded();
    expect(hand.view.model).to.equal(2);
    hand.at(2).takeBack(coat!, [1]);
    expect(hand.view.model).to.equal(1);
    hand.at(3).decide({ kind: 'not this session', models: [], passes: [coat!] } as never);
    expect(hand.said.at(-1)).to.deep.equal(['put-off']);
    hand.at(4).decide({ kind: 'another coat', models: [], passes: [coat!] } as never);
    hand.at(5).tryPot(coat!, 'blue', [2]);
    expect(hand.asked).to.deep.equal([
      ['POST', '/api/units/unit-keepers/step', { step: coat!.stepId, coats: 2, keeps: false }],
      ['POST', '/api/units/unit-keepers/trial', { step: coat!.stepId, pot: 'blue', models: [2] }],
    ]);
  });

  it('divides the minutes of a stage that was painted elsewhere by what is planned for each job', () => {
    const hand = new TappedAlone();
    const [coat, , cap] = hand.bench.line.passes;
    const jobs = [coat!, cap!].map((pass) => ({ job: hand.bench.job(pass), models: [1, 2, 3] }));
    hand.at(10).tickStage({ jobs } as never, 30);
    expect(hand.events.reduce((sum, { minutes }) => sum + minutes!, 0)).to.be.closeTo(30, 1e-9);
    expect(hand.painted).to.deep.equal([[1, 2, 3], [], [1, 2, 3]]);
  });
});
