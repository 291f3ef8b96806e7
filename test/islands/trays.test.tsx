import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { dryingNeeds } from '../../src/core/plan/build/dryingNeeds';
import { tryTrays, type TrayChoice } from '../../src/core/plan/choices/trayChoices';
import { SplitTable } from '../../src/islands/Trays/SplitTable';
import {
  arithmetic,
  changeWords,
  fillingWords,
  passName,
  smallestWithoutWaiting,
  splitText,
  splitWords,
  whySweet,
} from '../../src/islands/Trays/words';
import { paint, part, roster, step, unit } from '../support/units';

const paints = new Map([['red', paint('red')]]);
const keepers = unit('Keepers', [part('Shirt', step('basecoat', { paint: 'red', coats: 2 }))], [], { promised: 8 });
const [sample] = tryTrays(roster([keepers], { paints }), keepers.id, [8], 'alone', { seed: 1, steps: 50 });

/** A split with made-up figures. */
const choice = (trays: number[], lost: { changeover?: number; wait?: number }, stretch: number): TrayChoice => {
  const { changeover = 0, wait = 0 } = lost;
  return {
    limit: Math.max(...trays),
    trays,
    totals: { ...sample!.totals, handsOn: 100, changeover, wait, touchUp: 0, bench: 100 + changeover + wait },
    stretch: { ...sample!.stretch, minutes: stretch },
    order: sample!.order,
  };
};
const whole = choice([20], { changeover: 10, wait: 20 }, 60);
const tens = choice([10, 10], { changeover: 12, wait: 4 }, 30);
const sevens = choice([7, 6, 7], { changeover: 16, wait: 1 }, 21);

describe('splits in words', () => {
  it('are short in the chart and whole in a sentence', () => {
    expect([whole, tens, sevens].map(splitText)).to.deep.equal(['20', '2 × 10', '3 × 7']);
    expect([whole, tens, sevens].map(splitWords)).to.deep.equal(['one tray of 20', '2 trays of 10', '3 trays of up to 7']);
  });

  it('say what another one changes, and through what', () => {
    expect(changeWords(whole, tens)).to.equal('14 min more (set-up −2 min, waiting +16 min)');
    expect(changeWords(tens, whole)).to.equal('14 min less (set-up +2 min, waiting −16 min)');
    expect(changeWords(tens, { ...tens })).to.equal('the same total');
  });

  it('name a pass by paint and part', () => {
    expect(passName(sample!.stretch.job, paints)).to.equal('Base coat Paint red, shirt');
    expect(passName({ ...sample!.stretch.job, paintId: null, partName: null }, paints)).to.equal('Base coat, over everything');
  });
});

describe('the sweet spot in words', () => {
  const why = (sweet: TrayChoice, stretch: number, choices = [whole, tens, sevens]) => whySweet(choices, sweet, stretch, paints);

  it('says what it comes to, and what its neighbours change', () => {
    expect(why(tens, 45)).to.deep.equal([
      '2 trays of 10: 1 h 56 min in all, 16 min of it lost, at most 30 min without a break (Base coat Paint red, shirt).',
      'One tray of 20: 14 min more (set-up −2 min, waiting +16 min), and 1 h without a break (Base coat Paint red, shirt), beyond your 45 min.',
      '3 trays of up to 7: 1 min more (set-up +4 min, waiting −3 min).',
    ]);
  });

  it('says what forbids a larger tray that would be quicker', () => {
    const quick = choice([20], { changeover: 10 }, 60);
    expect(why(tens, 45, [quick, tens])[1]).to.equal(
      'One tray of 20: 6 min less (set-up −2 min, waiting −4 min), but 1 h without a break (Base coat Paint red, shirt), beyond your 45 min.',
    );
  });

  it('says when no split keeps the stretch', () => {
    expect(why(sevens, 5)[1]).to.equal('No split keeps every job within your 5 min: this one comes nearest.');
  });
});

describe('drying in words', () => {
  it('shows the arithmetic of the smallest tray', () => {
    const [need] = dryingNeeds(roster([keepers], { paints, minutesOf: () => 1.25 }), keepers.id);
    expect(arithmetic(need!)).to.equal('(15 min drying − 0 min set-up) / 1.25 min a model + 1 = 13 models');
    expect(arithmetic({ ...need!, models: null })).to.include('no size helps');
  });

  it('turns a tray that no unit has models for into the work that fills the drying', () => {
    const fills = part('Hood', step('layer', { paint: 'red' }));
    const cutters = unit('Cutters', [fills], [], { promised: 8 });
    const both = roster([keepers, cutters], { paints, minutesOf: () => 1.25 });
    const [need] = dryingNeeds(both, keepers.id);
    const [now] = tryTrays(both, keepers.id, [8], 'whole line', { seed: 1, steps: 500 });
    expect(fillingWords(need!, 8, now, paints)).to.equal(
      'More than the 8 there are. As split now, filled by Cutters, layer Paint red, hood (10 min).',
    );
    const [alone] = tryTrays(both, keepers.id, [8], 'alone', { seed: 1, steps: 500 });
    expect(fillingWords(need!, 8, alone, paints)).to.equal('More than the 8 there are. Nothing else is at hand meanwhile.');
    expect(fillingWords(need!, 40, now, paints), 'there are enough').to.equal(null);
  });

  it('names the smallest tray that waits for nothing in the orders found', () => {
    const free = choice([4, 4, 4, 4, 4], { changeover: 20 }, 12);
    expect(smallestWithoutWaiting([whole, tens, free], 'painted by themselves')).to.equal(
      'Painted by themselves, other work fills the drying: trays of 4 wait for nothing.',
    );
    expect(smallestWithoutWaiting([whole, tens], 'within the whole line')).to.equal('Within the whole line, every split waits a little.');
  });
});

describe('the table of splits', () => {
  const markup = renderToStaticMarkup(
    <SplitTable choices={[whole, tens, sevens]} now={20} sweet={tens} stretchMinutes={45} holderModels={12} onTake={() => undefined} />,
  );

  it('marks what there is, the sweet spot, and what is too long or too large', () => {
    expect(markup).to.match(/20<small>beyond a holder<\/small>/);
    expect(markup).to.match(/2 × 10<small>best size<\/small>/);
    expect(markup.match(/tooLong/g)).to.have.length(1);
    expect(markup.match(/as it is/g)).to.have.length(1);
  });

  it('shows the price against now before a split is taken', () => {
    expect(markup).to.include('−14 min').and.to.include('−13 min');
    expect(markup).to.include('aria-label="Take 2 trays of 10"').and.not.to.include('Take one tray of 20');
  });
});
