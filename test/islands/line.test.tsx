import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { compareStrategies } from '../../src/core/line/compareStrategies';
import { sharedLegs } from '../../src/core/scheme/sharedLegs';
import { chartBlocks, threadPath } from '../../src/islands/Line/chartBlocks';
import { JobDetails } from '../../src/islands/Line/JobDetails';
import { LegList } from '../../src/islands/Line/LegList';
import { RelayChart } from '../../src/islands/Line/RelayChart';
import { SharedLegs } from '../../src/islands/Line/SharedLegs';
import { StrategyTable } from '../../src/islands/Line/StrategyTable';
import { gapText } from '../../src/islands/Line/useLine';
import { smallLine } from '../support/line';

const { picture, plan } = smallLine();
const nothing = () => undefined;
const order = plan.order.map((id) => picture.jobs.findIndex((job) => job.id === id));
const strategies = compareStrategies(picture.problem, order, (tray) => tray.split('/')[0]!);
const count = (markup: string, pattern: RegExp) => (markup.match(pattern) ?? []).length;

describe('the relay chart', () => {
  const blocks = chartBlocks(picture, plan);

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
    const markup = renderToStaticMarkup(<RelayChart picture={picture} plan={plan} selected={0} onSelect={nothing} />);
    expect(count(markup, /<li /g)).to.equal(picture.trays.length);
    expect(count(markup, /class="paint"|class="selected"/g)).to.equal(plan.jobs.length);
    expect(count(markup, /fill="#aabbcc"/g)).to.equal(picture.jobs.filter((job) => job.paintId !== null).length);
    expect(markup).to.include('waits');
  });

  it('says what the job in hand is, when, and why there', () => {
    const place = blocks.findIndex((block) => block.job.coat === 2);
    const markup = renderToStaticMarkup(<JobDetails block={blocks[place]!} picture={picture} place={place} count={blocks.length} />);
    expect(markup).to.match(new RegExp(`${place + 1} of ${blocks.length}: Base coat with Paint blue on \\w+, hood, coat 2 of 2`));
    expect(markup).to.include('A coat goes over a dry coat.');
    expect(markup).to.include('4 models');
  });
});

describe('beside the chart', () => {
  it('compares four ways with their minutes', () => {
    const markup = renderToStaticMarkup(<StrategyTable strategies={strategies} />);
    expect(count(markup, /data-strategy/g)).to.equal(4);
    expect(markup).to.match(/One model at a time.*Unit by unit.*As entered.*Suggested/s);
  });

  it('says of a way that the sessions cannot hold it', () => {
    expect(renderToStaticMarkup(<StrategyTable strategies={[{ id: 'one-model', totals: null }, ...strategies.slice(1)]} />)).to.include(
      'does not fit the sessions',
    );
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
  });

  it('says how far from the best possible a plan can be', () => {
    expect(gapText({ ...plan, proven: true })).to.equal('the best possible');
    expect(gapText({ ...plan, proven: false, total: 50, bound: 45.4 })).to.equal('at most 5 min from the best possible');
  });
});
