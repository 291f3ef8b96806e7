import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { fixedStrategies, strategyOf } from '../../src/core/line/search/strategies';
import { compileLine } from '../../src/core/line/problem/compileLine';
import type { LineWish } from '../../src/core/line/definitions';
import { explainPlace, type PlaceReason } from '../../src/core/line/hand/explainPlace';
import { planOrder } from '../../src/core/line/search/planOrder';
import { placesFor } from '../../src/core/line/hand/places';
import { sharedLegs } from '../../src/core/plan/build/sharedLegs';
import { CarryDetails } from '../../src/islands/Line/chart/CarryDetails';
import { chartBlocks, threadPath } from '../../src/islands/Line/chart/chartBlocks';
import { JobDetails, whyHere } from '../../src/islands/Line/chart/JobDetails';
import { LegList } from '../../src/islands/Line/legs/LegList';
import { RelayChart } from '../../src/islands/Line/chart/RelayChart';
import { SharedLegs } from '../../src/islands/Line/legs/SharedLegs';
import { StrategyTable } from '../../src/islands/Line/search/StrategyTable';
import { LineTimes } from '../../src/islands/shared/LineTimes';
import { legAround, type Carry } from '../../src/islands/Line/chart/useCarry';
import { Wishes, wishText } from '../../src/islands/Line/wishes/Wishes';
import { differenceText } from '../../src/ui/format';
import { smallLine } from '../support/line';

const { picture, plan } = smallLine();
const nothing = () => undefined;
/** Counted from the start, as in one session. */
const times = new LineTimes(null);
const order = plan.order.map((id) => picture.jobs.findIndex((job) => job.id === id));
const count = (markup: string, pattern: RegExp) => (markup.match(pattern) ?? []).length;

const line = compileLine(picture.problem);
const strategies = [
  ...fixedStrategies(picture.problem, { unitOfTray: (tray) => tray.split('/')[0]!, nearlyDone: [], turns: [] }),
  strategyOf(line, 'suggested', order),
];

describe('the relay chart', () => {
  const { blocks } = chartBlocks(picture, plan, 'tray');
  const carrying = { carry: null, pickUp: nothing, drop: nothing, step: nothing, holdOver: nothing, putBack: nothing };
  const chart = (rowsBy: 'tray' | 'setup', pinned: string[] = [], held: Carry | null = null, timed = { plan, times }) =>
    renderToStaticMarkup(
      <RelayChart
        dates={[]}
        {...timed}
        {...chartBlocks(picture, timed.plan, rowsBy)}
        pinned={new Set(pinned)}
        selected={0}
        onSelect={nothing}
        carrying={{ ...carrying, carry: held }}
        wholeLeg={false}
        details="what is in hand"
        controls={null}
      />,
    );

  it('has a block for every job, in its tray row, dry after its tail', () => {
    expect(blocks.map((block) => block.job.id)).to.deep.equal(plan.order);
    for (const block of blocks) {
      expect(picture.trays[block.row]!.id).to.equal(block.job.trayId);
      expect(block.dryAt - block.end).to.equal(block.job.dryMinutes);
    }
  });

  it('leads the thread of the hands through every block once', () => {
    const path = threadPath(
      blocks,
      (minute) => minute,
      (row) => row * 10,
    );
    expect(count(path, /M/g)).to.equal(1);
    expect(count(path, /L/g)).to.equal(blocks.length * 2 - 1);
    expect(path.startsWith(`M${blocks[0]!.begin.toFixed(1)} ${blocks[0]!.row * 10}`)).to.equal(true);
  });

  it('draws a row for each tray, a block and a tail for each job, in the colours of the paints', () => {
    const markup = chart('tray');
    expect(count(markup, /<li style/g)).to.equal(picture.trays.length);
    expect(count(markup, /data-place=/g)).to.equal(plan.jobs.length);
    expect(count(markup, /fill="#aabbcc"/g)).to.equal(picture.jobs.filter((job) => job.paintId !== null).length);
    expect(markup).to.include('waits').and.to.include('what is in hand');
  });

  it('has a gate where a whole tray must be dry, no later than the job begins, and draws it', () => {
    const gated = blocks.filter((block) => block.gateAt !== null);
    const wholeTray = picture.problem.jobs.filter((job) => job.after.some(({ scope }) => scope === 'tray'));
    expect(gated.map((block) => block.job.id)).to.have.members(wholeTray.map((job) => job.id));
    expect(gated.length).to.be.greaterThan(0);
    for (const block of gated) expect(block.gateAt).to.be.at.most(block.begin + 1e-6);
    expect(count(chart('tray'), /data-gate/g)).to.equal(gated.length);
  });

  it('draws a band for each session that is worked in, and the nights between them', () => {
    const sessions = [0, 1440, 2880, 4320].map((from) => ({ from, to: from + 25 }));
    const planned = planOrder(compileLine({ ...picture.problem, sessions }), order);
    if (!planned.fits) throw new Error('the sessions are too short for this test');
    const inSessions = new LineTimes({ origin: new Date(2026, 10, 23, 19).getTime(), sessions });
    const markup = chart('tray', [], null, { plan: planned, times: inSessions });
    const worked = inSessions.sessionOf(planned.finish) + 1;
    expect(worked).to.be.greaterThan(1);
    expect(count(markup, /data-session=/g)).to.equal(worked);
    expect(count(markup, /class="night"/g)).to.equal(worked - 1);
    expect(markup).to.include('Mon 23 Nov, 19:00').and.to.include('Tue 24 Nov');
  });

  it('draws a row for each setup, in the order in which they are opened', () => {
    const { rows } = chartBlocks(picture, plan, 'setup');
    expect(rows.map((row) => row.id)).to.deep.equal([...new Set(plan.legs.map((leg) => leg.setup))]);
    expect(count(chart('setup'), /<li style/g)).to.equal(rows.length);
  });

  it('marks what is pinned, and the places for what is carried with the change at each', () => {
    expect(count(chart('tray', [plan.order[2]!]), /data-pinned/g)).to.equal(1);
    const places = placesFor(line, Int32Array.from(order), 1, 2);
    const markup = chart('tray', [], { from: 1, end: 2, places, over: 0 });
    expect(count(markup, /class="(free)?[pP]lace"/g)).to.equal(places.length);
    expect(markup).to.include(differenceText(places[0]!.minutes)).and.to.include('data-carrying="true"');
  });

  it('says what the job in hand is, when, and why there', () => {
    const place = blocks.findIndex((block) => block.job.coat === 2);
    const reason = explainPlace(line, Int32Array.from(order), place);
    const markup = renderToStaticMarkup(
      <JobDetails
        block={blocks[place]!}
        picture={picture}
        reason={reason}
        times={times}
        doneAt={plan.finish}
        place={place}
        count={blocks.length}
      />,
    );
    expect(markup).to.match(new RegExp(`${place + 1} of ${blocks.length}: Base coat with Paint blue on \\w+, hood, coat 2 of 2`));
    expect(markup).to.include('A coat goes over a dry coat.').and.to.include('4 models');
    expect(markup).to.match(/Best other place|no other place/);
  });

  it('says every computed reason in words', () => {
    const [first, second, third] = plan.order as [string, string, string];
    const why = (id: string, reason: PlaceReason) => whyHere(picture, id, reason, times, plan.finish);
    const said = why(third, {
      bestOther: { behind: null, total: 7, finish: 7, changeover: 2, wait: 5, touchUp: 0, late: 0, against: 0 },
      heldBy: second,
      holds: null,
      fills: { of: first, before: second, minutes: 6 },
      shares: { with: second, minutes: 2 },
    });
    expect(said).to.have.length(4);
    expect(said[0]).to.match(/^Fills drying: without it .* would wait 6 min for /);
    expect(said.at(-1)).to.equal('Best other place, at the start: +7 min (set-up +2 min, waiting +5 min).');
    expect(why(first, { bestOther: null, heldBy: null, holds: null, fills: null, shares: null })).to.deep.equal([
      'The rules allow no other place.',
    ]);
  });

  it('says what is carried and what putting it down would change', () => {
    const places = [{ to: 0, minutes: 3, bench: 3, finish: 3, late: 0 }];
    const held = (over: number) =>
      renderToStaticMarkup(<CarryDetails picture={picture} plan={plan} carry={{ from: 2, end: 4, places, over }} times={times} />);
    expect(held(0)).to.include('and 1 more of its leg').and.to.include('At the start: +3 min.');
    expect(held(-1)).to.include('Where it came from.');
  });

  it('finds the leg around a job', () => {
    const indexes = Int32Array.from(order);
    for (const leg of plan.legs) {
      const { from, end } = legAround(line, indexes, plan.order.indexOf(leg.jobs[0]!));
      expect(plan.order.slice(from, end)).to.deep.equal(leg.jobs);
    }
  });
});

describe('pins and wishes', () => {
  const [first, second] = plan.order as [string, string];
  const wishes: LineWish[] = [
    { kind: 'pin', jobs: [second], after: first },
    { kind: 'pin', jobs: [first], after: null },
    { kind: 'together', jobs: [first, second] },
    { kind: 'first', trays: [picture.trays[0]!.id], weight: 0.5 },
    { kind: 'treat', jobs: [first], everyModels: 10, minutes: 1 },
  ];

  it('are said in words', () => {
    const said = wishes.map((wish) => wishText({ ...picture, treatJobs: [first] }, wish));
    expect(said[0]).to.match(/: pinned behind Prime on/);
    expect(said[1]).to.match(/: pinned at the start$/);
    expect(said[2]).to.match(/and 1 more: kept together$/);
    expect(said[3]).to.match(/^(Keepers|Cutters) first$/);
    expect(said[4]).to.equal('A leader after every 10 models');
    expect(wishText(picture, wishes[4]!)).to.match(/^Some of (Keepers|Cutters) after every 10 models$/);
  });

  it('are listed with a way to let each go, and offered for the leg in hand', () => {
    const panel = (kept: LineWish[], treatJobs: string[]) =>
      renderToStaticMarkup(
        <Wishes
          picture={{ ...picture, treatJobs }}
          problem={{ ...picture.problem, wishes: kept }}
          order={Int32Array.from(order)}
          times={times}
          doneAt={plan.finish}
          job={picture.jobs[0]!}
          leg={[first, second]}
          beforeLeg={null}
          onChange={nothing}
        />,
      );
    expect(count(panel(wishes, []), /aria-label="Remove: /g)).to.equal(wishes.length);
    expect(panel(wishes, [])).to.include('working out its price');
    expect(panel([], [])).to.include('None yet').and.not.to.include('A leader every');
    expect(panel([], [first])).to.include('A leader every 10 models');
  });
});

describe('beside the chart', () => {
  it("compares four ways with their minutes, and the painter's own as the fifth", () => {
    const markup = renderToStaticMarkup(<StrategyTable strategies={strategies} times={times} />);
    expect(count(markup, /data-strategy/g)).to.equal(4);
    expect(markup).to.match(/Suggested.*One unit at a time.*In entry order.*One model at a time/s);
    const withOwn = [...strategies, strategyOf(line, 'own', order)];
    expect(renderToStaticMarkup(<StrategyTable strategies={withOwn} times={times} />)).to.include('On the bench');
  });

  it('shows what is known before the other ways have been worked out', () => {
    const [own] = strategies.slice(-1);
    expect(renderToStaticMarkup(<StrategyTable strategies={[own!]} times={times} />)).to.match(/Suggested.*working out the other methods/s);
    const shared = sharedLegs(picture, plan.legs);
    expect(renderToStaticMarkup(<SharedLegs shared={shared} strategies={[own!]} />))
      .to.include('units.')
      .and.not.to.include('Against');
  });

  it('says of a way that the sessions cannot hold it', () => {
    expect(
      renderToStaticMarkup(<StrategyTable strategies={[{ id: 'one-model', totals: null }, ...strategies.slice(1)]} times={times} />),
    ).to.include('does not fit the sessions');
  });

  it('names the units a leg joins, or says that none does', () => {
    const shared = sharedLegs(picture, plan.legs);
    expect(shared.length).to.be.greaterThan(0);
    expect(renderToStaticMarkup(<SharedLegs shared={shared} strategies={strategies} />)).to.include('Keepers, Cutters: 8 models');
    expect(renderToStaticMarkup(<SharedLegs shared={[]} strategies={strategies} />)).to.include('No leg joins two units');
  });

  it('reads the legs out in order', () => {
    const markup = renderToStaticMarkup(<LegList picture={picture} plan={plan} selected={0} onSelect={nothing} />);
    expect(count(markup, /<button/g)).to.equal(plan.legs.length);
    expect(count(markup, /inHand/g)).to.equal(1);
    expect(markup.match(/<h3[^>]*>[^<]+/g)!.map((heading) => heading.replace(/<[^>]*>/, ''))).to.deep.equal(['Primer', 'Base coats']);
  });
});
