import { expect } from 'chai';
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { minutesPrice } from '../../src/core/money/priceWork';
import { DEFAULT_TERMS } from '../../src/core/money/definitions';
import { quoteDocument } from '../../src/print/quote';
import { statementDocument } from '../../src/print/statement';
import { toPdf } from '../../src/print/pdf';
import { loadFigures } from '../../src/server/bench/loadFigures';
import { createCommission } from '../../src/server/intake/createCommission';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { closeCommission, duplicateCommission } from '../../src/server/intake/lifecycle';
import { loadIntakeFigures } from '../../src/server/intake/loadIntakeFigures';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { quoteDemo } from '../../src/server/starting/setDemo';
import { addExtra, removeExtra } from '../../src/server/money/extras';
import { loadMoney, loadMoreModels, offerNow } from '../../src/server/money/loadMoney';
import { loadStatement } from '../../src/server/money/loadStatement';
import { answerQuote, keepQuote, writeQuote } from '../../src/server/money/quotes';
import { saveTerms } from '../../src/server/money/terms';
import { startOtherWork } from '../../src/server/bench/otherWork';
import { setAgreed, settleScope } from '../../src/server/intake/scope';
import { testDatabase } from '../support/database';
import { readPdf } from '../support/pdf';
import { ALL, entry, minute, NOW, rejected, shopForEachTest } from '../support/shop';

const TERMS = { ...DEFAULT_TERMS, materials: [{ id: 'm', kind: 'postage' as const, what: '', amountMinor: 1250 }], depositShare: 0.3 };
const accepted = { answer: 'accepted' as const, note: '' };

describe('money', () => {
  const given = shopForEachTest();
  const pdfOf = async (quote: Parameters<typeof quoteDocument>[0]) => toPdf(quoteDocument(quote, { name: '', address: '' }));
  const priced = async () => {
    const made = await given.shop.commission();
    await saveTerms(given.stores, made.id, { revision: 0, terms: TERMS });
    return made;
  };

  it('knows what was agreed before anything was worked out, and tells the standards against it', async () => {
    const { id } = await createCommission(given.stores, { ...entry, agreedPriceMinor: 45_000 }, NOW);
    expect((await given.stores.quotes.terms(id)).terms.ownPriceMinor).to.equal(45_000);
    const { agreedMinor, prices } = await loadIntakeFigures(given.stores, id, NOW);
    expect(agreedMinor).to.equal(45_000);
    expect(prices).to.have.length(4);
    const other = await createCommission(given.stores, entry, NOW);
    expect((await loadIntakeFigures(given.stores, other.id, NOW)).agreedMinor).to.equal(null);
  });

  it('is the same in Money, at Intake, in the quote and on the statement', async () => {
    const { id } = await priced();
    const { units, rate, standards } = await loadMoney(given.stores, id, NOW);
    const intake = await loadIntakeFigures(given.stores, id, NOW);
    const quote = await keepQuote(given.stores, id, '', NOW);
    const { price } = quote.offer;
    expect(units.reduce((sum, { likely }) => sum + likely, 0)).to.be.closeTo(price.likely, 1e-9);
    expect(intake.totals.find(({ standard }) => standard === 'table')!.likely).to.be.closeTo(price.likely, 1e-9);
    expect(intake.totals.find(({ standard }) => standard === 'table')!.safe).to.be.closeTo(price.quoted, 0.02);
    expect(intake.prices.find(({ standard }) => standard === 'table')!.totalMinor).to.equal(price.totalMinor);
    expect(standards.map(({ all }) => all.models)).to.deep.equal([20, 20, 20, 20]);
    expect(price.workMinor).to.equal(Math.round(minutesPrice(price.quoted, rate)));
    await answerQuote(given.stores, quote.id, accepted, NOW);
    expect((await loadStatement(given.stores, id, NOW)).totalMinor).to.equal(price.totalMinor);
  });

  it('goes to the client as a letter with an A4 PDF, revision after revision', async () => {
    const { id } = await priced();
    const around = { now: NOW, folder: given.database.folder, pdfOf };
    const { totalMinor } = (await offerNow(given.stores, id, NOW)).offer.price;
    for (const to of ['club@shore.example', null]) {
      const refused = await rejected(writeQuote(given.stores, id, { to, note: '', totalMinor: totalMinor - 100 }, around));
      expect(refused.message).to.match(
        /^The price is [\d.]+ EUR now, not [\d.]+ EUR, so nothing was written: look at it, then quote again\.$/,
      );
    }
    expect((await loadMoney(given.stores, id, NOW)).quotes).to.deep.equal([]);
    const first = await writeQuote(given.stores, id, { to: 'club@shore.example', note: 'As discussed.', totalMinor }, around);
    const second = await writeQuote(given.stores, id, { to: null, note: '', totalMinor }, { ...around, now: minute(5) });
    expect([first.number, second.number, second.mailId]).to.deep.equal([1, 2, null]);
    const eml = readFileSync(path.join(given.database.folder, 'outbox', `${first.mailId}.eml`), 'utf8');
    expect(eml)
      .to.match(/To: club@shore\.example/)
      .and.to.match(/Subject: Quote 1: Coast/)
      .and.to.match(/application\/pdf/);
    const { pages, sizes } = await readPdf(await pdfOf(first));
    expect(sizes[0]!.map(Math.round)).to.deep.equal([595, 842]);
    expect(pages.join(' ')).to.match(
      /Quote 1 .*Coast, for Club.*20 models.*Keepers, painted.*Cutters, painted.*Postage and packing.*€12\.50/,
    );
    expect(pages.join(' ')).to.match(/Total .*of which before the work begins .*rounded up to whole units.*As discussed\./);
    expect((await loadMoney(given.stores, id, NOW)).lastTo).to.equal('club@shore.example');
  });

  it('says which counts are open, as the price is of the models counted', async () => {
    const { id, units } = await priced();
    const open = async (counted: number, countNote: string) => {
      const { revision } = (await given.stores.commissions.find(id))!;
      const [first, second] = units;
      await saveIntake(given.stores, id, { revision, commission: entry, units: [{ ...first!, counted, countNote }, second!] }, NOW);
      return (await loadMoney(given.stores, id, NOW)).openCounts;
    };
    const [{ name, promised }] = units as [(typeof units)[0]];
    expect(await open(promised, '')).to.deep.equal([]);
    expect(await open(promised - 2, '')).to.deep.equal([{ name, counted: promised - 2, expected: promised }]);
    expect(await open(promised - 2, 'the client knows')).to.deep.equal([]);
  });

  it('is not quoted without a scheme, and not stated without an answer', async () => {
    const { id, units } = await priced();
    await rejected(loadStatement(given.stores, id, NOW)).then((error) =>
      expect(error.message).to.match(/No quote of Coast is accepted yet/),
    );
    const { revision } = (await given.stores.commissions.find(id))!;
    const bare = { ...units[0]!, id: 'bare', name: 'Bare' };
    await saveIntake(given.stores, id, { revision, commission: entry, units: [bare] }, NOW);
    const error = await rejected(
      writeQuote(given.stores, id, { to: 'club@shore.example', note: '', totalMinor: 0 }, { now: NOW, folder: '/nowhere', pdfOf }),
    );
    expect(error.message).to.match(/give a unit a scheme first/);
    expect(existsSync('/nowhere')).to.equal(false);
  });

  it('agrees the scope with the answer, writes changes down with their price, and takes an answer back', async () => {
    const { id, units } = await priced();
    const quote = await keepQuote(given.stores, id, '', NOW);
    await answerQuote(given.stores, quote.id, accepted, minute(1));
    const { revision, agreedAt } = (await given.stores.commissions.find(id))!;
    expect(agreedAt).to.equal(minute(1).toISOString());
    await saveIntake(
      given.stores,
      id,
      {
        revision,
        commission: entry,
        units: [
          { ...units[0]!, promised: 14 },
          { ...units[1]!, promised: 5 },
        ],
      },
      minute(2),
    );
    const [more, fewer] = (await loadMoney(given.stores, id, minute(3))).changes;
    // Two changes at once: each is what its own unit does to the hours.
    expect(more!.minutesAfter).to.be.greaterThan(more!.minutesBefore);
    expect(fewer!.minutesAfter).to.be.lessThan(fewer!.minutesBefore);
    expect(fewer!.minutesBefore).to.be.closeTo(more!.minutesAfter, 1e-9);
    await settleScope(given.stores, more!.id, { note: 'by mail', priceMinor: 1500 });
    const extra = await addExtra(given.stores, id, { what: 'Name plates', minutes: 40, priceMinor: 0, note: '' }, minute(4));
    const { agreed } = await loadMoney(given.stores, id, minute(5));
    expect(agreed!.pay).to.include({ addedMinor: 1500, quotedMinor: quote.offer.price.totalMinor });
    expect(agreed!.pay.free).to.deep.equal({ minutes: 40, minor: 1600 });
    expect(agreed!.pay.unsettledMinor).to.be.lessThan(0);
    const { lines, totalMinor } = await loadStatement(given.stores, id, minute(5));
    expect(lines.slice(-2).map(({ what, amountMinor }) => [what, amountMinor])).to.deep.equal([
      ['Keepers, models: 10 → 14', 1500],
      ['Name plates', 0],
    ]);
    expect(totalMinor).to.equal(quote.offer.price.totalMinor + 1500);
    await removeExtra(given.stores, extra.id);
    expect((await rejected(removeExtra(given.stores, more!.id))).message, 'no extra').to.match(/There is no extra/);
    await answerQuote(given.stores, quote.id, { answer: null, note: '' }, minute(6));
    expect((await loadMoney(given.stores, id, minute(7))).agreed).to.equal(null);
  });

  it('begins a change anew after a quote, as the one before is in it', async () => {
    const { id, units } = await priced();
    const promise = async (promised: number, at: number) => {
      const { revision } = (await given.stores.commissions.find(id))!;
      await saveIntake(given.stores, id, { revision, commission: entry, units: [{ ...units[0]!, promised }, units[1]!] }, minute(at));
    };
    await setAgreed(given.stores, id, { agreed: true }, NOW);
    await promise(12, 1);
    await promise(13, 2);
    const quote = await keepQuote(given.stores, id, '', minute(3));
    await answerQuote(given.stores, quote.id, accepted, minute(4));
    await promise(15, 5);
    const { changes, agreed } = await loadMoney(given.stores, id, minute(6));
    expect(changes.map(({ before, after }) => [before, after])).to.deep.equal([
      ['10', '13'],
      ['13', '15'],
    ]);
    expect(agreed!.pay.unsettledMinor).to.be.greaterThan(0);
    expect(
      (
        await rejected(
          keepQuote(given.stores, id, '', minute(8))
            .then(() => closeCommission(given.stores, id, { closed: true }, minute(9)))
            .then(() => keepQuote(given.stores, id, '', minute(10))),
        )
      ).message,
    ).to.match(/is handed over: open it again/);
  });

  it('sets hours against the price: painting with set-ups, other work, what is left, and the budget of a model', async () => {
    const { id } = await priced();
    const quote = await keepQuote(given.stores, id, '', NOW);
    await answerQuote(given.stores, quote.id, accepted, NOW);
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(coat, ALL, 3));
    await startOtherWork(given.stores, { commissionId: id, kind: 'photographs', minutes: 20, note: '' }, minute(60));
    const { hours, agreed } = await loadMoney(given.stores, id, minute(61));
    expect(hours.painted).to.be.closeTo(30, 1e-6);
    expect(hours).to.include({ other: 20 });
    expect(hours.done).to.be.within(0.2, 0.3);
    const { pay, comparison } = agreed!;
    expect(pay.soFar.minutes).to.be.closeTo(50, 1e-6);
    expect(pay.soFar.perHourMinor).to.be.closeTo((pay.workMinor * hours.done * 60) / 50, 1e-6);
    expect(pay.likely.minutes).to.be.closeTo(50 + hours.leftLikely, 1e-6);
    expect(comparison.units.map(({ took }) => Math.round(took))).to.deep.equal([30, 0]);
    expect(comparison.stages.reduce((sum, { took }) => sum + took, 0)).to.be.closeTo(30, 1e-6);
    const [budget] = (await loadFigures(given.stores, minute(61))).budgets;
    const line = quote.offer.price.units[0]!;
    expect(budget!.budget).to.be.closeTo(((line.priceMinor / 2400) * 60) / 10, 1e-9);
    expect(budget!.spent).to.be.closeTo(3, 1e-6);
    await closeCommission(given.stores, id, { closed: true }, minute(62));
    const closed = await loadMoney(given.stores, id, minute(70));
    expect(closed.hours).to.include({ done: 1, leftLikely: 0, otherLeft: 0 });
    expect(closed.agreed!.pay.likely).to.deep.equal(closed.agreed!.pay.soFar);
  });

  it('follows what is learned, and says what was logged since', async () => {
    const { id } = await priced();
    const quote = await keepQuote(given.stores, id, '', NOW);
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(coat, ALL, 3.5, 1));
    const later = await keepQuote(given.stores, id, '', minute(400));
    expect(later.offer.price.totalMinor).to.be.greaterThan(quote.offer.price.totalMinor);
    expect((await loadMoney(given.stores, id, minute(400))).since).to.deep.equal({ stretches: 0, more: 0 });
    const [row] = await given.shop.rows();
    await given.stores.predictions.save([{ rowId: row!.id, models: 10, p10: 20, p50: 28, p80: 32, p90: 40 }]);
    const since = async () => (await loadMoney(given.stores, id, minute(401))).since!;
    expect((await since()).stretches, 'it was logged before the second quote').to.equal(0);
    await given.database.knex('quote').where({ id: later.id }).delete();
    expect((await since()).more).to.be.closeTo(0.25, 1e-6);
  });

  it('costs more for more models, and refuses what is no number of models', async () => {
    const { id, units } = await priced();
    const [keepers] = units;
    const likely = (of: { units: { likely: number }[] }) => of.units.reduce((sum, unit) => sum + unit.likely, 0);
    const now = likely(await loadMoney(given.stores, id, NOW));
    const more = await loadMoreModels(given.stores, id, { unitId: keepers!.id, more: 20 }, NOW);
    expect(more.models).to.equal(30);
    // Twice the models of the whole, later ones quicker.
    expect(likely(more) / now).to.be.within(1.5, 2);
    expect(likely(await loadMoreModels(given.stores, id, { unitId: keepers!.id, more: -9 }, NOW))).to.be.lessThan(now);
    for (const count of [-10, 1.5, 501, Number.NaN])
      expect((await rejected(loadMoreModels(given.stores, id, { unitId: keepers!.id, more: count }, NOW))).message).to.match(
        /leaves at least one/,
      );
  });

  it('prices a like order alike, and asks and pays nothing of the first', async () => {
    const { id } = await priced();
    const terms = { ...TERMS, ownPriceMinor: 9900, depositPaid: { on: '2026-11-24', amountMinor: 3000 } };
    await saveTerms(given.stores, id, { revision: 1, terms });
    const copy = await duplicateCommission(given.stores, id, { name: 'Coast, again', dueOn: '2027-01-10' }, NOW);
    expect((await given.stores.quotes.terms(copy.id)).terms).to.deep.equal(TERMS);
  });

  it('refuses terms from a window that is out of date', async () => {
    const { id } = await priced();
    expect((await rejected(saveTerms(given.stores, id, { revision: 0, terms: DEFAULT_TERMS }))).message).to.match(
      /changed in another window/,
    );
    expect(await saveTerms(given.stores, id, { revision: 1, terms: DEFAULT_TERMS })).to.deep.equal({ revision: 2 });
  });

  it("travels in the commission's file, and goes when the commission does", async () => {
    const { id } = await priced();
    const quote = await keepQuote(given.stores, id, 'as agreed', NOW);
    await answerQuote(given.stores, quote.id, accepted, minute(1));
    await addExtra(given.stores, id, { what: 'Name plates', minutes: 40, priceMinor: 900, note: '' }, minute(2));
    const { text } = await exportCommission(given.stores, id);
    const other = await testDatabase();
    await importCommission(other.stores, JSON.parse(text), minute(3));
    const [copy] = await other.stores.quotes.ofCommission(id);
    expect(copy!.offer).to.deep.equal(quote.offer);
    expect((await other.stores.quotes.terms(id)).terms).to.deep.equal(TERMS);
    expect((await loadStatement(other.stores, id, minute(3))).lines).to.deep.equal(
      (await loadStatement(given.stores, id, minute(3))).lines,
    );
    expect((await exportCommission(other.stores, id)).text).to.equal(text);
    await other.knex('commission').delete();
    expect(await other.knex('quote')).to.deep.equal([]);
    expect(await other.knex('quote_terms')).to.deep.equal([]);
    await other.close();
  });

  it('prints the statement', async () => {
    const { id } = await priced();
    const quote = await keepQuote(given.stores, id, '', NOW);
    await answerQuote(given.stores, quote.id, accepted, NOW);
    const terms = { ...TERMS, depositPaid: { on: '2026-11-24', amountMinor: 3000 }, statementWords: 'Thank you, it was a pleasure.' };
    await saveTerms(given.stores, id, { revision: 1, terms });
    const { pages } = await readPdf(
      await toPdf(statementDocument(await loadStatement(given.stores, id, NOW), { name: 'Ida Brandt', address: 'Quay 4' })),
    );
    expect(pages.join(' ')).to.match(
      /Statement .*Coast, for Club.*Paid before − ?€30\.00 Due .*Thank you, it was a pleasure\. Ida Brandt Quay 4/,
    );
  });

  it('of the demo is worked out like any other, and stays when the demo is emptied only', async () => {
    await given.stores.demo.fill(NOW, quoteDemo);
    const [coast] = await given.stores.commissions.listOpen();
    const { quotes, agreed } = await loadMoney(given.stores, coast!.id, NOW);
    expect(quotes[0]).to.include({ number: 1, answer: 'accepted' });
    expect(quotes[0]!.writtenAt < (await given.stores.bench.latest(100_000))[0]!.at).to.equal(true);
    expect(agreed!.pay.soFar.perHourMinor).to.be.greaterThan(0);
    await given.stores.demo.clear();
    expect(await given.database.knex('quote')).to.deep.equal([]);
  });
});
