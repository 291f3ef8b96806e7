import { expect } from 'chai';
import { writeStatement } from '../../../src/core/formats/timeLog/writeStatement';
import { compareQuote } from '../../../src/core/money/compareQuote';
import { decimalsOf, rateOf } from '../../../src/core/money/currency';
import { agreedQuote, DEFAULT_TERMS, type Quote, type QuoteTerms, type UnitWork } from '../../../src/core/money/definitions';
import { modelBudgets } from '../../../src/core/money/modelBudget';
import { payOf, scopePrice } from '../../../src/core/money/payOf';
import { priceWork } from '../../../src/core/money/priceWork';
import { offerLines, scopeWords, statementOf } from '../../../src/core/money/statement';
import { whyMoved } from '../../../src/core/money/whyMoved';
import type { ScopeChange } from '../../../src/core/commission/scope';

const RATE = rateOf({ hourlyRateMinor: 3000, currency: 'EUR' });
const unit = (unitId: string, minutes: number): UnitWork => ({
  unitId,
  name: `Unit ${unitId}`,
  models: 10,
  likely: minutes,
  draws: [minutes, minutes, minutes],
  stages: { build: 0, base: minutes / 2, tail: minutes / 2 },
});
const TERMS: QuoteTerms = { ...DEFAULT_TERMS, materials: [{ id: 'p', kind: 'postage', what: '', amountMinor: 1250 }] };

/** Two units of ten hours together at 30 an hour, and postage. */
const quote = (more: Partial<Quote> = {}, units = [unit('a', 360), unit('b', 240)], terms = TERMS): Quote => ({
  id: 'q',
  commissionId: 'c',
  number: 1,
  writtenAt: '2026-11-20T10:00:00.000Z',
  sentTo: '',
  mailId: null,
  note: '',
  answer: 'accepted',
  answeredAt: '2026-11-21T10:00:00.000Z',
  answerNote: '',
  offer: {
    name: 'Coast',
    client: 'Club',
    dueOn: '2026-12-20',
    standard: 'table',
    hourlyRateMinor: 3000,
    currency: 'EUR',
    terms,
    price: priceWork(units, terms, RATE),
  },
  ...more,
});
const change = (id: string, more: Partial<ScopeChange>): ScopeChange => ({
  id,
  commissionId: 'c',
  at: '2026-11-22T10:00:00.000Z',
  unitId: 'a',
  unit: 'Unit a',
  subject: 'models',
  before: '10',
  after: '12',
  minutesBefore: 600,
  minutesAfter: 660,
  note: '',
  priceMinor: null,
  takenBackAt: null,
  ...more,
});
const hours = { unknown: { steps: 0, minutes: 0 }, painted: 300, other: 60, leftLikely: 240, leftSafe: 300, otherLeft: 0, done: 0.5 };

describe('what a commission pays', () => {
  it('is the price less materials over the hours, so far and in the end', () => {
    const pay = payOf(quote(), [], hours, RATE);
    expect(pay).to.include({ quotedMinor: 31_250, materialsMinor: 1250, workMinor: 30_000 });
    expect(pay.soFar).to.deep.equal({ minutes: 360, earnedMinor: 15_000, perHourMinor: 2500 });
    expect(pay.likely.perHourMinor).to.equal(3000);
    expect(pay.safe.minutes).to.equal(660);
    expect(payOf(quote(), [], { ...hours, painted: 0, other: 0 }, RATE).soFar.perHourMinor).to.equal(null);
  });

  it('counts changes since the quote by what was agreed for them', () => {
    const changes = [
      change('before', { at: '2026-11-19T10:00:00.000Z', priceMinor: 99_999 }),
      change('priced', { priceMinor: 2500 }),
      change('less', { minutesAfter: 570, priceMinor: -1000 }),
      change('free', { subject: 'extra', unitId: null, minutesBefore: 0, minutesAfter: 30, priceMinor: 0 }),
      change('open', {}),
    ];
    const pay = payOf(quote(), changes, hours, RATE);
    expect(pay).to.include({ addedMinor: 1500, workMinor: 31_500, unsettledMinor: 3000 });
    expect(pay.free).to.deep.equal({ minutes: 30, minor: 1500 });
    expect(scopePrice(changes[2]!, RATE)).to.equal(-1500);
  });

  it('has the other work that is still to do in what the hours come to', () => {
    const pay = payOf(quote(), [], { ...hours, otherLeft: 45 }, RATE);
    expect([pay.soFar.minutes, pay.likely.minutes, pay.safe.minutes]).to.deep.equal([360, 645, 705]);
  });

  it('counts nothing that was said when the quote was written, or before', () => {
    const inTheQuote = ['2026-11-19T10:00:00.000Z', quote().writtenAt].flatMap((at) => [
      change('open', { at }),
      change('free', { at, priceMinor: 0 }),
      change('priced', { at, priceMinor: 700 }),
    ]);
    const pay = payOf(quote(), inTheQuote, hours, RATE);
    expect(pay).to.include({ addedMinor: 0, unsettledMinor: 0 });
    expect(pay.free).to.deep.equal({ minutes: 0, minor: 0 });
  });

  it('calls only more work at no price free', () => {
    const less = change('less', { minutesAfter: 500, priceMinor: 0 });
    const same = change('same', { minutesAfter: 600, priceMinor: 0 });
    const pay = payOf(quote(), [less, same, change('priced', { priceMinor: 2500 })], hours, RATE);
    expect(pay.free).to.deep.equal({ minutes: 0, minor: 0 });
    expect(pay.unsettledMinor, 'all have a price').to.equal(0);
  });

  it('goes by the last quote that was accepted', () => {
    const quotes = [
      quote({ number: 1 }),
      quote({ number: 2 }),
      quote({ number: 3, answer: 'declined' }),
      quote({ number: 4, answer: null }),
    ];
    expect(agreedQuote(quotes)!.number).to.equal(2);
    expect(agreedQuote(quotes.slice(2))).to.equal(null);
  });
});

describe('the quote against what it took', () => {
  it('has the units of the quote, those that came later, and the stages', () => {
    const took = [
      { unitId: 'a', name: 'New name', took: 100, left: 50 },
      { unitId: 'z', name: 'Late', took: 10, left: 0 },
    ];
    const stages = { took: { build: 0, base: 90, tail: 20 }, left: { build: 0, base: 0, tail: 50 } };
    const { units, stages: byStage } = compareQuote(quote(), took, stages);
    expect(units.map(({ name, quoted, took: minutes }) => [name, quoted, minutes])).to.deep.equal([
      ['New name', 360, 100],
      ['Unit b', 240, 0],
      ['Late', null, 10],
    ]);
    expect(byStage[1]).to.deep.equal({ stage: 'base', quoted: 300, took: 90, left: 0 });
  });

  it('tells why a price moved, to the last minor unit', () => {
    const { offer } = quote();
    const slower = [unit('a', 420), unit('b', 240)];
    const then = (units: UnitWork[]) => priceWork(units, offer.terms, RATE);
    expect(whyMoved(offer, then(slower), then(slower))).to.deep.equal({
      totalMinor: 3000,
      hoursMinor: 3000,
      unitsMinor: 0,
      materialsMinor: 0,
      termsMinor: 0,
      most: { name: 'Unit a', before: 360, now: 420 },
    });
    const another = [unit('a', 360), unit('c', 120)];
    const dearer = { ...offer.terms, materials: [], chance: 0.9 };
    const moved = whyMoved(offer, then(another), priceWork(another, dearer, { ...RATE, hourlyRateMinor: 3600 }));
    expect(moved.most).to.equal(null);
    expect(moved).to.include({ hoursMinor: 0, unitsMinor: -6000, materialsMinor: -1250, termsMinor: 4800 });
    expect(moved.totalMinor).to.equal(-2450);
  });
});

describe('what moved a price', () => {
  const { offer } = quote();
  const priced = (units: UnitWork[], terms = offer.terms) => priceWork(units, terms, RATE);

  it('is the unit that moved most, by a whole minute at least', () => {
    const now = priced([unit('a', 370), unit('b', 210)]);
    expect(whyMoved(offer, now, now).most).to.deep.equal({ name: 'Unit b', before: 240, now: 210 });
    const hardly = priced([unit('a', 360.9), unit('b', 239.2)]);
    expect(whyMoved(offer, hardly, hardly).most).to.equal(null);
    const just = priced([unit('a', 361), unit('b', 240)]);
    expect(whyMoved(offer, just, just).most).to.deep.equal({ name: 'Unit a', before: 360, now: 361 });
  });

  it('is hours less the discount that they were quoted with', () => {
    const terms = { ...TERMS, discountShare: 0.1 };
    const then = priced([unit('a', 420), unit('b', 240)], terms);
    const moved = whyMoved(quote({}, undefined, terms).offer, then, then);
    expect(moved).to.include({ hoursMinor: 2700, unitsMinor: 0, termsMinor: 0, totalMinor: 2700 });
    const without = priced([unit('a', 360)], terms);
    expect(whyMoved(quote({}, undefined, terms).offer, without, without)).to.include({ hoursMinor: 0, unitsMinor: -10_800 });
  });

  it('counts the hours of a unit as all together bear them, less than it would need alone', () => {
    const spread = (unitId: string, draws: number[]): UnitWork => ({ ...unit(unitId, 100), draws });
    const up = spread('a', [60, 100, 140]);
    const down = spread('b', [140, 100, 60]);
    const even = quote({}, [up, down]).offer;
    // Alone each holds 124 min with a chance of four in five, together 200.
    expect(even.price).to.include({ quoted: 200 });
    const now = priced([up, spread('b', [280, 200, 120])]);
    const moved = whyMoved(even, now, now);
    expect(moved.unitsMinor).to.equal(0);
    expect(moved.hoursMinor).to.equal(Math.round(((now.quoted - 200) / 60) * 3000));
  });

  it('is all of the hours where none were quoted', () => {
    const nothing = quote({}, [unit('a', 0)]).offer;
    const now = priced([unit('a', 60)]);
    expect(whyMoved(nothing, now, now)).to.include({ hoursMinor: 3000, unitsMinor: 0, totalMinor: 3000 });
  });
});

describe('the budget of a model', () => {
  it('is the price of its unit at the rate, with what was agreed for it since', () => {
    const units = [
      { unitId: 'a', models: 12, took: 120, left: 240 },
      { unitId: 'z', models: 1, took: 5, left: 5 },
    ];
    const [budget, ...others] = modelBudgets(quote(), [change('priced', { priceMinor: 6000 })], units, RATE);
    expect(budget).to.deep.equal({ unitId: 'a', level: null, models: 12, budget: 40, spent: 10, needed: 20 });
    expect(others, 'nothing was quoted for the other').to.deep.equal([]);
    const elsewhere = [
      change('of another', { unitId: 'b', priceMinor: 6000 }),
      change('in the quote', { at: quote().writtenAt, priceMinor: 6000 }),
      change('before', { at: '2026-11-19T10:00:00.000Z', priceMinor: 6000 }),
      change('open', { priceMinor: null }),
    ];
    expect(modelBudgets(quote(), elsewhere, units, RATE)[0]!.budget, 'nothing was agreed for it since').to.equal(30);
    expect(modelBudgets(quote(), [], [{ ...units[0]!, models: 0 }], RATE)).to.deep.equal([]);
    expect(modelBudgets(quote(), [], units, { hourlyRateMinor: 0 })).to.deep.equal([]);
  });
});

describe('the statement', () => {
  const changes = [
    change('priced', { priceMinor: 2500 }),
    change('free', { subject: 'extra', unit: '', after: 'Name plates', priceMinor: 0 }),
    change('open', {}),
  ];
  const statement = statementOf(
    quote(),
    changes,
    { depositPaid: { on: '2026-11-21', amountMinor: 8000 }, statementWords: 'Thank you.' },
    { on: '2026-12-20', undone: ['Unit a: 1 missed spot to touch up'] },
  );

  it('lists what was agreed and what came since, and takes off what was paid', () => {
    expect(statement.lines.map(({ what, amountMinor }) => [what, amountMinor])).to.deep.equal([
      ['Unit a, painted', 18_000],
      ['Unit b, painted', 12_000],
      ['Postage and packing', 1250],
      ['Unit a, models: 10 → 12', 2500],
      ['Name plates', 0],
    ]);
    expect(statement).to.include({ totalMinor: 33_750, paidMinor: -8000, dueMinor: 25_750 });
    expect(offerLines(quote().offer).reduce((sum, { amountMinor }) => sum + amountMinor, 0)).to.equal(quote().offer.price.totalMinor);
  });

  it('calls a change by what it is', () => {
    const of = (more: Partial<ScopeChange>) => scopeWords(change('some', more));
    expect(of({ subject: 'unit added', unit: 'Reed cutters', before: '', after: '6' })).to.equal('Reed cutters added: 6 models');
    expect(of({ subject: 'unit removed', unit: 'Reed cutters', before: '6', after: '' })).to.equal('Reed cutters removed: 6 models');
    expect(of({ unit: '', subject: 'due date', before: '2026-12-20', after: '2026-12-24' })).to.equal('due date: 2026-12-20 → 2026-12-24');
  });

  it('has other work in a line of its own, and says what materials are where that was typed', () => {
    const terms: QuoteTerms = {
      ...TERMS,
      otherMinutes: 60,
      materials: [
        { id: 'p', kind: 'pots', what: ' Two of sea green ', amountMinor: 640 },
        { id: 'h', kind: 'holders', what: ' ', amountMinor: 300 },
      ],
    };
    expect(offerLines(quote({}, undefined, terms).offer).slice(2)).to.deep.equal([
      { on: '', what: 'Other work', models: null, amountMinor: 3000 },
      { on: '', what: 'Pots to buy: Two of sea green', models: null, amountMinor: 640 },
      { on: '', what: 'Holders', models: null, amountMinor: 300 },
    ]);
  });

  it('is a table that a spreadsheet takes', () => {
    const lines = writeStatement(statement, decimalsOf('EUR')).split('\r\n');
    expect(lines[0]).to.equal('date,what,models,amount,currency');
    expect(lines[1]).to.equal(',"Unit a, painted",10,180.00,EUR');
    expect(lines.slice(-5)).to.deep.equal([
      '2026-12-20,Total,,337.50,EUR',
      '2026-12-20,Paid before,,-80.00,EUR',
      '2026-12-20,Due,,257.50,EUR',
      '2026-12-20,Not done: Unit a: 1 missed spot to touch up,,,',
      '',
    ]);
    const sly = { ...statement, lines: [{ on: '', what: '=1+1', models: null, amountMinor: 5 }] };
    expect(writeStatement(sly, 0)).to.include("'=1+1").and.to.include(',5,EUR');
  });
});
