import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import type { TodayCommission } from '../../src/core/views/today';
import { TodayView } from '../../src/islands/Today/View';
import { standingText } from '../../src/islands/Today/words';

const NOW = new Date(2026, 10, 23, 18, 0).getTime();
const MINUTE = 60_000;

const entry = (more: Partial<TodayCommission> = {}): TodayCommission => ({
  commission: {
    id: 'c1',
    name: 'Coast',
    client: 'Club',
    dueOn: '2026-12-02',
    standard: 'table',
    hourlyRateMinor: 2400,
    currency: 'EUR',
    note: '',
    revision: 1,
    createdAt: '2026-11-01T00:00:00Z',
  },
  models: 20,
  units: 2,
  estimate: {
    likelyMinutes: 600,
    safeMinutes: 660,
    changeoverMinutes: 60,
    waitMinutes: 0,
    touchUpMinutes: 0,
    wholeMinutes: 1000,
    stepsDone: 100,
    stepsTotal: 250,
  },
  outlook: { standing: 'fits', chance: 0.93, sessionMinutes: 900, queuedMinutes: 0 },
  openCounts: [],
  waitingTestModels: [],
  unitsWithoutScheme: [],
  drying: [],
  hasOpenRun: false,
  lastWorkedAt: null,
  ...more,
});
const view = (...commissions: TodayCommission[]) =>
  renderToStaticMarkup(<TodayView today={{ commissions, sessions: [{ from: NOW + 60 * MINUTE, to: NOW + 210 * MINUTE }] }} now={NOW} />);

describe('Today', () => {
  it('says what to do first on an empty bench', () => {
    expect(view()).to.include('No commission is here yet').and.to.include('href="/new"');
  });

  it('shows hours, date and standing of every commission', () => {
    const markup = view(entry());
    expect(markup).to.include('20 models in 2 units').and.to.include('40%');
    expect(markup).to.include('10 h').and.to.include('11 h').and.to.include('Wed 2 Dec').and.to.include('in 9 days');
    expect(markup).to.include('data-standing="fits"').and.to.include('2 h 30 min');
  });

  it('leads to the line that lies at the bench, worked on last, before one that is due earlier', () => {
    const later = entry({
      commission: { ...entry().commission, id: 'c2', name: 'Square' },
      hasOpenRun: true,
      lastWorkedAt: NOW - 30 * MINUTE,
    });
    const markup = view(entry(), later);
    expect(markup).to.match(/Take up now.*Square.*href="\/c\/c2\/bench".*Commissions, by date/s);
  });

  it('offers to lay out a line when none lies at the bench', () => {
    expect(view(entry())).to.match(/href="\/c\/c1\/line"[^>]*>Lay out its line/);
  });

  it('counts days past the date, and names today and tomorrow', () => {
    const due = (dueOn: string) => view(entry({ commission: { ...entry().commission, dueOn } }));
    expect(due('2026-11-20')).to.include('3 days ago');
    expect(due('2026-11-23')).to.include('>today<');
    expect(due('2026-11-24')).to.include('>tomorrow<');
  });

  it('lists what dries until it is dry', () => {
    const row = { unitName: 'Keepers', what: 'Coat', paintId: null, models: 3, firstDryAt: NOW + 5 * MINUTE };
    expect(view(entry({ drying: [{ ...row, lastDryAt: NOW + 12 * MINUTE }] })))
      .to.include('Keepers, coat: 3 models')
      .and.to.include('all dry in 12 min');
    expect(view(entry({ drying: [{ ...row, lastDryAt: NOW - MINUTE }] }))).to.include('Nothing is wet.');
  });

  it('lists what waits for somebody', () => {
    const markup = view(entry({ openCounts: ['Keepers'], waitingTestModels: ['Cutters'], unitsWithoutScheme: ['Crew'] }));
    expect(markup)
      .to.include('Count open: Keepers')
      .and.to.include('Test model with the client: Cutters')
      .and.to.include('No scheme yet: Crew');
  });
});

describe('a standing in words', () => {
  it('gives its numbers', () => {
    expect(standingText(entry())).to.deep.equal({
      verdict: 'Fits',
      why: '15 h of sessions before the date; likely 10 h needed. In 93% of the simulated courses it is met.',
    });
    const queued = entry({ outlook: { standing: 'short', chance: 0.05, sessionMinutes: 300, queuedMinutes: 120 } });
    expect(standingText(queued)).to.deep.equal({
      verdict: 'Too little time',
      why: '5 h of sessions before the date; likely 10 h needed after 2 h of work due earlier. In 5% of the simulated courses it is met.',
    });
  });

  it('does not call a commission painted that has no units or no scheme', () => {
    const done = { standing: 'done', chance: 1, sessionMinutes: 0, queuedMinutes: 0 } as const;
    const verdict = (more: Partial<TodayCommission>) => standingText(entry({ outlook: done, ...more })).verdict;
    expect(verdict({ units: 0 })).to.equal('No units yet');
    expect(verdict({ estimate: { ...entry().estimate, stepsTotal: 0 } })).to.equal('No scheme yet');
    expect(verdict({})).to.equal('All painted');
  });
});
