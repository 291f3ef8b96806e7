import { expect } from 'chai';
import { renderToStaticMarkup } from 'react-dom/server';
import { backPlan, type StandardTotals } from '../../src/core/commission/backPlan';
import { STANDARDS } from '../../src/core/scheme/model/definitions';
import type { Reconciliation } from '../../src/core/commission/reconcile';
import type { IntakeFigures } from '../../src/contract/intakeFigures';
import type { ScopeChange } from '../../src/core/commission/scope';
import type { TestModelPicture } from '../../src/contract/testModelPicture';
import { BackPlanned } from '../../src/islands/Intake/commission/BackPlanned';
import { Bits } from '../../src/islands/Intake/units/Bits';
import { Reconciled } from '../../src/islands/Intake/units/Reconciled';
import { ScopeChanges } from '../../src/islands/shared/ScopeChanges';
import { StandardPrices } from '../../src/islands/Intake/commission/StandardPrices';
import { TestModel } from '../../src/islands/Intake/commission/TestModel';
import type { Pictures } from '../../src/islands/client/usePictures';

const nothing = () => undefined;
const promise = () => Promise.resolve();
const text = (markup: string) => markup.replaceAll(/<[^>]+>/g, ' ').replaceAll(/\s+/g, ' ');

const totals: StandardTotals[] = STANDARDS.map((standard, place) => ({
  standard,
  handsOn: 100 * (place + 1),
  likely: 120 * (place + 1),
  safe: 150 * (place + 1),
}));
const figures: IntakeFigures = {
  reconciliation: [],
  totals,
  units: STANDARDS.map((standard, place) => ({ unitId: 'k', standard, handsOn: 100 * (place + 1), likely: 120 * (place + 1) })),
  prices: STANDARDS.map((standard, place) => ({ standard, totalMinor: 10_000 * (place + 1) })),
  agreedMinor: 25_000,
  chance: 0.8,
  backPlan: null,
  outlook: { standing: 'fits', chance: 0.9, likelyAt: null, safeAt: null, sessionMinutes: 600, queuedMinutes: 0 },
  leavesBy: '2026-12-20',
  cureDays: 0,
  testModels: [],
  scope: [],
  agreedAt: null,
  undone: [],
};

describe('who is accounted for', () => {
  const row: Reconciliation = {
    unitId: 'k',
    name: 'Keepers',
    promised: 20,
    owned: 2,
    counted: 17,
    toPaint: 17,
    inTrays: 16,
    primed: 5,
    finished: 3,
    open: [
      { what: '1 model short', at: 'intake' },
      { what: 'no paint: wash on everything', at: 'scheme' },
    ],
  };
  const shown = (rows: Reconciliation[]) => renderToStaticMarkup(<Reconciled rows={rows} undone={[]} commissionId="c" />);

  it('is counted through to the end, with links to where it is settled', () => {
    const markup = shown([row]);
    expect(text(markup)).to.match(/2 things to settle.*Keepers 20 2 17 16 5 3 of 17 1 model short ; no paint/);
    expect(markup).to.include('href="/c/c/scheme?unit=k"').and.to.include('href="#units"');
  });
  it('says so when nothing is open', () =>
    expect(text(shown([{ ...row, open: [], primed: null }]))).to.match(/Every model is accounted for.*16 – 3 of 17 nothing/));
});

describe('prices by standard', () => {
  it('has hours and money for each unit and for all of it', () => {
    const markup = text(
      renderToStaticMarkup(
        <StandardPrices
          figures={figures}
          commission={{ standard: 'table', currency: 'EUR' }}
          moneyHref="/c/c/money"
          names={[{ id: 'k', name: 'Keepers' }]}
        />,
      ),
    );
    expect(markup).to.match(/table, paid for/);
    expect(markup).to.match(/Keepers 2 h 4 h 6 h 8 h/);
    expect(markup).to.match(/All of it, cautious 2 h 30 min .*Price €100.00 €200.00 €300.00 €400.00/);
  });
});

describe('a date planned back from', () => {
  const plan = (sessionMinutes: number, cureDays = 0) =>
    text(
      renderToStaticMarkup(
        <BackPlanned
          plan={backPlan({
            sessionMinutes,
            queuedMinutes: 0,
            left: totals,
            paidFor: 'table',
            units: [{ unitId: 'k', name: 'Keepers', models: 10, handsOnLeft: 200 }],
            sessionLength: 120,
          })}
          cureDays={cureDays}
          leavesBy="2026-12-16"
          dueOn="2026-12-20"
          models={10}
        />,
      ),
    );
  it('is kept, with what a model can have', () => {
    expect(plan(400, 1)).to.match(/Sun 20 Dec can be kept/);
    expect(plan(400, 1)).to.match(/1 day for the varnish to cure left out/);
    expect(plan(400)).to.match(/Keepers: up to 30 min for a model, 20 min planned/);
  });
  it('is likely, and how much of safe is missing', () => expect(plan(260)).to.match(/is expected, 40 min short of cautious/));
  it('cannot be kept, and what would have to give', () => {
    const words = plan(180);
    expect(words).to.match(/cannot be kept as things stand: 2 h are missing/);
    expect(words).to.match(/1 more session before the date; or the standard, to quick \(2 h less\); or about 6 models of 10/);
    expect(words).to.match(/Keepers: only 8 min for a model, 20 min needed/);
  });
});

describe('changes of scope', () => {
  const change: ScopeChange = {
    id: 's',
    commissionId: 'c',
    at: '2026-11-24T10:00:00.000Z',
    unitId: 'k',
    unit: 'Keepers',
    subject: 'models',
    before: '20',
    after: '14',
    minutesBefore: 300,
    minutesAfter: 240,
    note: 'by mail',
    priceMinor: null,
    takenBackAt: null,
  };
  const shown = (changes: ScopeChange[], agreedAt: string | null = null) =>
    renderToStaticMarkup(
      <ScopeChanges
        commissionId="c"
        agreedAt={agreedAt}
        changes={changes}
        rate={{ hourlyRateMinor: 3000, currency: 'EUR', minorPerMajor: 100 }}
        onChanged={nothing}
      />,
    );
  it('have their date, hours, price and reason', () => {
    expect(text(shown([change]))).to.match(/Keepers, models: 20 → 14 −1 h −€30\.00/);
    expect(shown([change])).to.include('value="by mail"');
    expect(text(shown([{ ...change, subject: 'unit added', before: '0', after: '5' }]))).to.include('Keepers added: 5 models');
    expect(text(shown([{ ...change, unit: '', subject: 'due date', before: '2026-12-20', after: '2027-01-10' }]))).to.include(
      ' due date: 2026-12-20 → 2027-01-10',
    );
  });
  it('begin on the day it is agreed', () => {
    expect(shown([])).to.include('Scope is agreed with the client');
    expect(shown([], '2026-11-24T10:00:00.000Z')).to.include('Undo agreement');
  });
});

describe('a fiddly bit', () => {
  it('costs its seconds times the models', () => {
    const unit = { name: 'Keepers', promised: 24, owned: 0, counted: null, bits: [{ name: 'Pouch', seconds: 30, leftOff: true }] };
    const markup = renderToStaticMarkup(<Bits unit={unit} minorPerMinute={50} currency="EUR" onChange={nothing} />);
    expect(text(markup)).to.match(/Pouch: 12 min, €6 over 24 models/);
    expect(markup).to.match(/checked=""/);
  });
});

describe('a test model at Intake', () => {
  const pictures: Pictures = {
    all: [],
    error: null,
    unsaved: new Map(),
    retry: nothing,
    add: promise,
    change: nothing,
    setRemoved: nothing,
  };
  const picture: TestModelPicture = {
    unitId: 'k',
    state: 'waiting',
    stepsDone: 3,
    stepsTotal: 9,
    minutesLogged: 14,
    minutesExpected: 30,
    rounds: [],
    lastTo: 'club@example.org',
  };
  const shown = (more: Partial<TestModelPicture>) =>
    renderToStaticMarkup(
      <TestModel picture={{ ...picture, ...more }} unitName="Keepers" pictures={pictures} onBefore={promise} onSent={nothing} />,
    );
  const round = {
    id: 'r',
    unitId: 'k',
    mailId: 'm',
    sentAt: '2026-11-24T10:00:00.000Z',
    sentTo: 'club@example.org',
    note: '',
    answer: null,
    answeredAt: null,
    answerNote: '',
  };
  it('says how far it is, and asks for a letter and an answer', () => {
    const markup = shown({});
    expect(text(markup)).to.match(/the others wait for it 3 of 9 steps painted ?, 14 min hands-on ?, 30 min expected/);
    expect(markup).to.include('Prepare the e-mail').and.to.include('Mark as approved').and.to.include('value="club@example.org"');
  });
  it('says who is asked, and links to the letter', () => {
    const markup = shown({ rounds: [round] });
    expect(text(markup)).to.include('waiting for club@example.org');
    expect(markup).to.include('href="/api/mail/m"');
  });
  it('asks for nothing once it is settled, and keeps what was said', () => {
    const answered = { ...round, answer: 'approved' as const, answeredAt: '2026-11-25T10:00:00.000Z', answerNote: 'lovely' };
    const markup = shown({ state: 'approved', rounds: [answered] });
    expect(markup).not.to.include('outbox');
    expect(text(markup)).to.match(/approved: lovely/);
    expect(text(shown({ state: 'on trust' }))).to.match(/going on without an answer/);
  });
});
