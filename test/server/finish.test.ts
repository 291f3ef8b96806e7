import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { ulid } from 'ulid';
import { NO_FINISHING, type Finishing } from '../../src/core/finish/definitions';
import { openKey } from '../../src/core/finish/answers';
import { saveFinishing } from '../../src/server/finish/saveFinishing';
import { loadFinish } from '../../src/server/finish/loadFinish';
import { loadHandOverSheet } from '../../src/server/finish/loadHandOverSheet';
import { loadPackingList } from '../../src/server/finish/loadPackingList';
import { writeHandOver } from '../../src/server/finish/handOver';
import { loadCalendar } from '../../src/server/calendar/loadCalendar';
import { previewAway } from '../../src/server/calendar/previewAway';
import { saveHouseRules } from '../../src/server/house/saveHouseRules';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { closeCommission } from '../../src/server/intake/lifecycle';
import { loadIntakeFigures } from '../../src/server/intake/loadIntakeFigures';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadUndone, undoneWordsOf } from '../../src/server/plan/undoneNow';
import { loadToday } from '../../src/server/today/loadToday';
import { handOverDocument } from '../../src/print/handOver';
import { packingDocument } from '../../src/print/packingList';
import { toPdf } from '../../src/print/pdf';
import { testDatabase } from '../support/database';
import { readPdf } from '../support/pdf';
import { ALL, minute, NOW, rejected, shopForEachTest, unitEntry } from '../support/shop';
import { temporaryFolder } from '../support/temporaryFolder';

const DAY = 24 * 60;

describe('the end of a commission', () => {
  const given = shopForEachTest();

  async function painted() {
    const keepers = unitEntry('Keepers', { counted: 10, leaders: 1 });
    const cutters = unitEntry('Cutters', { counted: 9, promised: 12, owned: 2, countNote: 'one broke' });
    const { id } = await given.shop.commission('Coast', [keepers, cutters]);
    await given.shop.putOnBench(id);
    let at = 0;
    for (const [unit, models] of [
      ['Keepers', ALL],
      ['Cutters', ALL.slice(0, 9)],
    ] as const)
      for (const part of ['Coat', 'Cap']) {
        await given.shop.record(given.shop.painting(await given.shop.pass(unit, part), [...models], 2, at));
        at += 40;
      }
    const save = async (part: Partial<Finishing>) => {
      const { finishing, revision } = await given.stores.finishing.load(id);
      return saveFinishing(given.stores, id, { revision, finishing: { ...finishing, ...part } });
    };
    return { id, keepers, cutters, save };
  }
  const delivery = { transitDays: 3, carrierDays: [0, 2], carrier: 'Dune road', customs: 'Gift' };

  it('counts every date back from the day the parcel must go', async () => {
    const { id, save } = await painted();
    const before = (await loadIntakeFigures(given.stores, id, minute(300))).outlook.sessionMinutes;
    // Promised Sun 20 Dec: on its way three days, taken on Mondays and Wednesdays.
    await save({ delivery });
    const today = await loadToday(given.stores, minute(300));
    expect(today.commissions[0]!.leavesBy).to.equal('2026-12-16');
    const after = (await loadIntakeFigures(given.stores, id, minute(300))).outlook.sessionMinutes;
    // Four days fewer: Thursday and Saturday are sessions.
    expect(before - after).to.equal(150 + 240);
    expect((await loadLine(given.stores, minute(300))).commissions[0]).to.include({ leavesBy: '2026-12-16' });
    const entries = await loadCalendar(given.stores, minute(300));
    expect(entries.find(({ uid }) => uid.startsWith('parcel-'))!.when).to.deep.equal({ day: '2026-12-16' });
  });

  it('is refused with what cannot be, and when another window was first', async () => {
    const { id, keepers, save } = await painted();
    const layer = { id: ulid(), unitId: 'nobody', models: 3 };
    expect(await rejected(save({ boxes: [{ id: ulid(), name: 'Box', layers: [layer] }] }))).to.match(
      /boxes\[0\]\.layers\[0\]\.unitId is "nobody": name a unit/,
    );
    const spare = { id: ulid(), kind: 'spare' as const, what: '', count: 1, packed: 2 };
    expect(await rejected(save({ returns: [spare] }))).to.match(/returns\[0\]\.packed is 2: give at most 1/);
    await save({ boxes: [{ id: ulid(), name: 'Box', layers: [{ ...layer, unitId: keepers.id }] }] });
    expect(await rejected(saveFinishing(given.stores, id, { revision: 0, finishing: NO_FINISHING }))).to.match(/another window/);
  });

  it('goes to the bench as spots with minutes, and shows what is inspected', async () => {
    const { id, keepers } = await painted();
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record([
      given.shop.event(200, 'missed', { ...given.shop.of(coat), models: [4], note: 'under the arm' }),
      given.shop.event(201, 'inspected', { unit: keepers.id, models: [1, 2], note: 'end' }),
    ]);
    const picture = await loadFinish(given.stores, id, minute(202));
    expect(new Map(picture.touchUpMinutes).get(coat.key)).to.be.greaterThan(0.4);
    expect(picture.marks.inspected).to.deep.equal([
      [
        keepers.id,
        [
          [
            'end',
            [
              [1, minute(201).getTime()],
              [2, minute(201).getTime()],
            ],
          ],
        ],
      ],
    ]);
    expect(picture.isOpen).to.equal(false);
    expect(picture.hasStatement).to.equal(false);
    // A look takes no time of its own, and stops no clock.
    const rows = await given.shop.rows();
    expect(rows).to.have.length(4);
  });

  it('is answered for, on every paper and when it is delivered', async () => {
    const { id, save } = await painted();
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record([given.shop.event(200, 'missed', { ...given.shop.of(coat), models: [4] })]);
    const [open] = await loadUndone(given.stores, id, minute(210));
    await save({ answers: [{ key: openKey(open!), answer: 'agreed with the client' }] });
    const commission = (await given.stores.commissions.find(id))!;
    const words = ['Keepers: 1 missed spot to touch up (agreed with the client)'];
    expect(await undoneWordsOf(given.stores, commission, minute(210))).to.deep.equal(words);
    await closeCommission(given.stores, id, { closed: true }, minute(220));
    expect(await given.stores.commissions.undone(id)).to.deep.equal(words);
    const closed = await loadFinish(given.stores, id, minute(300 * DAY));
    expect(closed.undoneThen).to.deep.equal(words);
    expect(closed.units).to.have.length(2);
    // A year later it goes on where it stopped.
    await closeCommission(given.stores, id, { closed: false }, minute(365 * DAY));
    const again = await loadFinish(given.stores, id, minute(365 * DAY));
    expect(Object.fromEntries(again.marks.marks)).to.deep.equal(Object.fromEntries(closed.marks.marks));
    expect(again.commission.closedAt).to.equal(null);
  });

  it('travels in its file, with boxes, answers and repairs', async () => {
    const { id, keepers, save } = await painted();
    const repair = {
      id: ulid(),
      on: '2027-03-01',
      unitId: keepers.id,
      models: 1,
      what: 'broken oar',
      minutes: 12,
      priceMinor: 0,
      done: true,
    };
    await save({ delivery, repairs: [repair], answers: [{ key: 'a', answer: 'b' }], care: 'Keep dry.', forDisplay: true });
    const { finishing } = await given.stores.finishing.load(id);
    const { text } = await exportCommission(given.stores, id);
    const other = await testDatabase();
    await importCommission(other.stores, JSON.parse(text), NOW);
    expect((await other.stores.finishing.load(id)).finishing).to.deep.equal(finishing);
    expect(JSON.parse((await exportCommission(other.stores, id)).text)).to.deep.equal(JSON.parse(text));
    await other.close();
  });

  it('is told on paper: paints and care, boxes and labels', async () => {
    const { id, keepers, cutters, save } = await painted();
    const boxes = [
      {
        id: ulid(),
        name: 'Box 1',
        layers: [
          { id: ulid(), unitId: keepers.id, models: 10 },
          { id: ulid(), unitId: cutters.id, models: 4 },
        ],
      },
      { id: ulid(), name: 'Small box', layers: [{ id: ulid(), unitId: cutters.id, models: 5 }] },
    ];
    const returns = [{ id: ulid(), kind: 'bits' as const, what: 'Sickles', count: 6, packed: 2 }];
    await save({ delivery, boxes, returns, care: 'Never with a damp cloth.' });
    const rules = { ...(await given.stores.houseRules.load()), painter: { name: 'Ida Brandt', address: 'Quay 4\nSaltmere' } };
    await saveHouseRules(
      given.stores,
      { revision: await given.stores.houseRules.revision(), rules } as Parameters<typeof saveHouseRules>[1],
      NOW,
    );
    const sheet = await readPdf(await toPdf(handOverDocument(await loadHandOverSheet(given.stores, id, minute(210)), false)));
    expect(sheet.pages.join(' ')).to.match(/Hand- ?over sheet.*Coast, for Club.*Monday 23 November 2026/);
    expect(sheet.pages.join(' ')).to.match(/Keepers: 10 models.*leader: model 1.*Coat: Base coat Paint red.*Cap: Base coat Paint blue/);
    expect(sheet.pages.join(' ')).to.match(
      /not varnished.*Never with a damp cloth.*Bits: Sickles, 6 \(4 not packed yet\).*Ida Brandt Quay 4/,
    );
    const short = await readPdf(await toPdf(handOverDocument(await loadHandOverSheet(given.stores, id, minute(210)), true)));
    expect(short.pages.join(' ')).to.include('Paint red').and.not.to.include('damp cloth');
    const list = await readPdf(await toPdf(packingDocument(await loadPackingList(given.stores, id, minute(210)))));
    expect(list.pages).to.have.length(3);
    expect(list.pages[0]).to.match(/Goes by Wednesday 16 December 2026, Dune road/);
    // Promised, theirs, not sent, packed, left.
    expect(list.pages[0]).to.match(/Cutters ?, one broke 12 2 1 9 0/);
    expect(list.pages[0]).to.match(/No aerosols, paints or other liquids/);
    expect(list.pages[2]).to.match(/Small box 2 of 2.*Cutters: 5 models/);
  });

  it('is written to the client in one letter', async () => {
    const { id, save } = await painted();
    await save({ delivery });
    const { folder, remove } = temporaryFolder();
    const pdf = () => Promise.resolve(Buffer.from('%PDF-1.7'));
    const around = {
      now: minute(210),
      folder,
      sheetPdf: pdf,
      listPdf: pdf,
      money: { statementPdf: pdf, quote: { name: 'Quote 2, Coast', pdf } },
    };
    const { mailId } = await writeHandOver(given.stores, id, { to: 'club@example.org', note: 'It was a pleasure.' }, around);
    const letter = readFileSync(path.join(folder, 'outbox', `${mailId}.eml`), 'utf8').replaceAll(/=\r?\n/g, '');
    expect(letter).to.match(
      /Coast is finished: 19 models in 2 units\. The parcel goes on Monday 23 November 2026 with Dune road and should be with you by Thursday 26 November 2026\./,
    );
    expect(letter).to.include('It was a pleasure.');
    for (const name of ['Hand-over Coast.pdf', 'Packing list Coast.pdf', 'Statement Coast.pdf', 'Quote 2 Coast.pdf'])
      expect(letter).to.include(name);
    expect(await given.stores.testRounds.lastTo(id)).to.equal('club@example.org');
    remove();
  });
});

describe('evenings that are taken', () => {
  const given = shopForEachTest();

  it('move the dates, say so before, and cost nothing in the price', async () => {
    const { id } = await given.shop.commission('Coast', [unitEntry('Keepers', { counted: 10 })]);
    await given.shop.putOnBench(id);
    const away = [{ uid: 'coast', from: '2026-11-23T00:00:00.000Z', to: '2026-12-08T00:00:00.000Z', what: 'Away' }];
    const { added, changed, minutes, dates } = await previewAway(given.stores, away, NOW);
    expect([added, changed]).to.deep.equal([1, 0]);
    // Two weeks and the Monday behind them, as a session of Monday begins after midnight of UTC.
    expect(minutes).to.be.within(2 * 690, 2 * 690 + 300);
    expect(dates[0]!.after!).to.be.greaterThan(dates[0]!.before!);
    const prices = (await loadIntakeFigures(given.stores, id, NOW)).prices;
    const rules = { ...(await given.stores.houseRules.load()), away };
    await saveHouseRules(given.stores, { revision: 0, rules } as Parameters<typeof saveHouseRules>[1], NOW);
    const figures = await loadIntakeFigures(given.stores, id, NOW);
    expect(figures.outlook.safeAt).to.equal(dates[0]!.after);
    expect(figures.prices).to.deep.equal(prices);
    expect(await previewAway(given.stores, away, NOW)).to.deep.include({ added: 0, changed: 0, minutes: 0 });
    expect((await loadToday(given.stores, NOW)).sessions).to.deep.equal([]);
  });
});
