import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import type { Today, TodayCommission } from '../../src/contract/today';
import { TodayView } from '../../src/islands/Today/View';
import { standingText } from '../../src/islands/Today/words';

const NOW = new Date(2026, 10, 23, 18, 0).getTime();
const MINUTE = 60_000;

const NOTHING = { modelSteps: 0, ready: [], stages: [] };

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
    agreedAt: null,
    createdAt: '2026-11-01T00:00:00Z',
    closedAt: null,
  },
  models: 20,
  units: 2,
  estimate: {
    handsOn: 540,
    setUp: 60,
    waiting: 0,
    touchUp: 0,
    likely: 600,
    safe: 660,
    wholeHandsOn: 1000,
    stepsDone: 100,
    stepsTotal: 250,
  },
  outlook: { standing: 'fits', chance: 0.93, sessionMinutes: 900, queuedMinutes: 0, likelyAt: null, safeAt: null },
  leavesBy: '2026-12-02',
  openCounts: [],
  undone: [],
  waitingTestModels: [],
  unitsWithoutScheme: [],
  drying: [],
  isOnBench: false,
  canBePainted: true,
  ...more,
});
const session = { from: NOW + 60 * MINUTE, to: NOW + 210 * MINUTE };
const today = (commissions: TodayCommission[], more: Partial<Today> = {}): Today => ({
  now: NOW,
  corrections: [],
  commissions,
  askedSessions: null,
  sessions: [session],
  tonight: null,
  paints: [],
  bench: null,
  lastSession: null,
  progress: { today: NOTHING, week: NOTHING, pictures: {} },
  openRows: 0,
  shortPaints: [],
  closed: 0,
  isDemo: false,
  ...more,
});
const viewOf = (commissions: TodayCommission[], more: Partial<Today> = {}) =>
  renderToStaticMarkup(<TodayView first={today(commissions, more)} deleted={null} />);
const view = (...commissions: TodayCommission[]) => viewOf(commissions);

describe('Today', () => {
  it('says what to do first on an empty bench', () => {
    expect(view()).to.include('No commission is open').and.to.include('href="/new"').and.to.include('Look at the demo first');
  });

  it('shows hours, date and standing of every commission', () => {
    const markup = view(entry());
    expect(markup).to.include('20 models in 2 units').and.to.include('46% painted');
    expect(markup).to.include('10 h').and.to.include('11 h').and.to.include('Wed 2 Dec').and.to.include('in 9 days');
    expect(markup).to.include('data-standing="fits"').and.to.include('2 h 30 min');
  });

  it('opens with the last session, what to look at first, and what became ready', () => {
    const lookFirst = { what: '3 spots to mend, Rowers', href: '/touch-up?commission=c1' };
    const last = { from: NOW - 1500 * MINUTE, to: NOW - 1400 * MINUTE, minutes: 95, modelSteps: 64, units: ['Rowers', 'Gigs'], lookFirst };
    const ready = [{ unitId: 'u', unit: 'Rowers', commissionId: 'c1', models: [1, 2, 3], isWhole: false }];
    const stages = [{ unitId: 'v', unit: 'Gigs', name: 'quick standard', usable: true, at: NOW }];
    const week = { modelSteps: 80, ready, stages };
    const markup = viewOf([entry({ leavesBy: '2026-11-30' })], {
      lastSession: last,
      progress: { today: NOTHING, week, pictures: { u: 'p1' } },
    });
    expect(markup).to.match(
      /1 h 35 min hands-on, 64 model-steps on.*Rowers, Gigs.*Look first at.*touch-up\?commission=c1.*3 spots to mend, Rowers/s,
    );
    expect(markup)
      .to.match(/80 model-steps, 0 of them today.*3 models finished/s)
      .and.to.match(/pictures\/p1.*Rowers.*3 finished/s);
    expect(markup).to.match(/Gigs: quick standard reached Mon 23 Nov, usable from here/);
    expect(markup).to.include('parcel goes Mon 30 Nov');
  });

  it('leads to the line on the bench before a commission that is due earlier', () => {
    const bench = { names: ['Square'], lastWorkedAt: NOW - 30 * MINUTE, painted: 0.4 };
    const markup = viewOf([entry()], { bench });
    expect(markup).to.match(/Take up now.*Square.*On the bench, last tap 17:30.*href="\/bench".*Commissions, by date/s);
  });

  it('offers to plan a line when none is on the bench', () => {
    expect(view(entry())).to.match(/<button[^>]*>Plan its line/);
  });

  it('does not lead to the bench where nothing can be painted, but to what is missing', () => {
    const stuck = { canBePainted: false, isOnBench: false };
    expect(view(entry({ ...stuck, waitingTestModels: ['Cutters'] }))).to.match(
      /Take up now.*Waiting for approval: Cutters.*Mark as approved/s,
    );
    expect(view(entry({ ...stuck, unitsWithoutScheme: ['Crew'] }))).to.match(/Take up now.*Write the scheme/s);
    const done = { ...stuck, outlook: { ...entry().outlook, standing: 'done' as const } };
    expect(view(entry(done))).to.match(/Take up now.*Every step is painted.*Inspect and hand over/s);
  });

  it('shows the session as planned, job by job', () => {
    const job = { what: 'Wash, everything', unitName: 'Keepers', commissionName: 'Coast', models: 10, paintId: 'red' };
    const tonight = { ...session, jobs: [{ ...job, from: session.from + 2 * MINUTE, to: session.from + 15 * MINUTE }] };
    const markup = viewOf([entry()], { tonight, paints: [{ id: 'red', name: 'Bog wash', hex: '#aabbcc' }] });
    expect(markup).to.match(/Next session: Mon 23 Nov, 19:00 to 21:30.*19:02.*Bog wash.*Wash, everything.*Keepers, 10 models.*13 min/s);
  });

  it('counts days past the date, and names today and tomorrow', () => {
    const due = (dueOn: string) => view(entry({ commission: { ...entry().commission, dueOn } }));
    expect(due('2026-11-20')).to.include('3 days ago');
    expect(due('2026-11-23')).to.include('>today<');
    expect(due('2026-11-24')).to.include('>tomorrow<');
  });

  it('lists what dries until it is dry', () => {
    const row = { unitName: 'Keepers', what: 'Coat', models: 3 };
    expect(view(entry({ drying: [{ ...row, lastDryAt: NOW + 12 * MINUTE }] })))
      .to.include('Keepers, coat: 3 models')
      .and.to.include('all dry in 12 min');
    expect(view(entry({ drying: [{ ...row, lastDryAt: NOW - MINUTE }] }))).to.include('Nothing is wet.');
  });

  it('lists what waits for somebody', () => {
    const markup = view(entry({ openCounts: ['Keepers'], waitingTestModels: ['Cutters'], unitsWithoutScheme: ['Crew'] }));
    expect(markup)
      .to.include('Count to settle: Keepers')
      .and.to.include('Waiting for approval: Cutters')
      .and.to.include('No scheme yet: Crew');
  });
});

describe('a standing in words', () => {
  it('gives its numbers', () => {
    expect(standingText(entry())).to.deep.equal({
      verdict: 'Fits',
      why: '15 h of sessions before the date; 10 h needed. On time in 93 of 100 simulations.',
    });
    const queued = entry({
      outlook: { standing: 'short', chance: 0.05, sessionMinutes: 300, queuedMinutes: 120, likelyAt: null, safeAt: null },
    });
    expect(standingText(queued)).to.deep.equal({
      verdict: 'Too little time',
      why: '5 h of sessions before the date; 10 h needed after 2 h of other work. On time in 5 of 100 simulations.',
    });
  });

  it('does not call a commission painted that has no units or no scheme', () => {
    const done = { standing: 'done', chance: 1, sessionMinutes: 0, queuedMinutes: 0, likelyAt: null, safeAt: null } as const;
    const verdict = (more: Partial<TodayCommission>) => standingText(entry({ outlook: done, ...more })).verdict;
    expect(verdict({ units: 0 })).to.equal('No units yet');
    expect(verdict({ estimate: { ...entry().estimate, stepsTotal: 0 } })).to.equal('No scheme yet');
    expect(verdict({})).to.equal('All painted');
  });
});
