import { expect } from 'chai';
import { ulid } from 'ulid';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { closeCommission } from '../../src/server/intake/lifecycle';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { setAgreed } from '../../src/server/intake/scope';
import { loadIntakeFigures } from '../../src/server/intake/loadIntakeFigures';
import { loadUndone, undoneWordsOf } from '../../src/server/plan/undoneNow';
import { loadMoney } from '../../src/server/money/loadMoney';
import { loadStatement } from '../../src/server/money/loadStatement';
import { answerQuote, keepQuote } from '../../src/server/money/quotes';
import { loadPainted } from '../../src/server/bench/loadPainted';
import { loadToday } from '../../src/server/today/loadToday';
import { testDatabase } from '../support/database';
import { ALL, entry, minute, NOW, shopForEachTest, unitEntry } from '../support/shop';
import { step } from '../support/units';

const DAY = 24 * 60;

describe('before a commission is delivered', () => {
  const given = shopForEachTest();

  /** One unit of ten, counted, with every step painted. */
  async function painted(varnished = false) {
    const unit = unitEntry('Keepers', { counted: 10 });
    const { id } = await given.shop.commission('Coast', [unit]);
    if (varnished) {
      const stored = (await given.stores.commissions.findUnit(unit.id))!;
      const scheme = { ...stored.scheme, allOver: [step('varnish', { id: ulid(), paint: 'red' })] };
      await saveScheme(given.stores, unit.id, { revision: stored.schemeRevision, scheme }, NOW);
    }
    await given.shop.putOnBench(id);
    let at = 0;
    for (const part of ['Coat', 'Cap', ...(varnished ? [null] : [])]) {
      await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', part), ALL, 2, at));
      at += 30;
    }
    return { id, unit, words: async (now = minute(200)) => (await loadUndone(given.stores, id, now)).map(({ what }) => what) };
  }
  const finished = async (id: string) => (await loadIntakeFigures(given.stores, id, minute(200))).reconciliation[0]!.finished;
  const verdict = async (id: string) =>
    (await loadToday(given.stores, minute(200))).commissions.find(({ commission }) => commission.id === id)!.undone.map(({ what }) => what);

  it('nothing is listed where everything is done', async () => {
    const { id, words } = await painted();
    expect(await words()).to.deep.equal([]);
    expect(await verdict(id)).to.deep.equal([]);
    expect(await finished(id)).to.equal(10);
    expect((await loadMoney(given.stores, id, minute(200))).undone).to.deep.equal([]);
  });

  it('a missed spot is listed, and its model is not finished', async () => {
    const { id, words } = await painted();
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record([given.shop.event(90, 'missed', { ...given.shop.of(coat), models: [4], note: 'under the arm' })]);
    expect(await words()).to.deep.equal(['1 missed spot to touch up']);
    expect(await verdict(id)).to.deep.equal(['1 missed spot to touch up']);
    expect(await finished(id)).to.equal(9);
    await given.shop.record([given.shop.event(91, 'touched-up', { ...given.shop.of(coat), models: [4] })]);
    expect(await words()).to.deep.equal([]);
    expect(await finished(id)).to.equal(10);
  });

  it('so are models set aside, counts, steps that are never due, steps left and prices not named', async () => {
    const { id, unit, words } = await painted();
    await given.shop.record([given.shop.event(90, 'set-aside', { unit: unit.id, models: [2], note: 'lent' })]);
    expect(await words()).to.deep.equal(['1 model set aside']);
    expect(await finished(id)).to.equal(9);
    await given.shop.record([given.shop.event(91, 'brought-back', { unit: unit.id, models: [2] })]);
    await setAgreed(given.stores, id, { agreed: true }, NOW);
    const save = { revision: 2, commission: { ...entry, name: 'Coast', dueOn: '2026-12-24' }, units: [{ ...unit, counted: null }] };
    await saveIntake(given.stores, id, save, NOW);
    const stored = (await given.stores.commissions.findUnit(unit.id))!;
    const group = { id: ulid(), name: 'Veterans', kind: 'squad' as const, models: [], standard: null, factor: null };
    const [coat, cap] = stored.scheme.parts;
    const glaze = step('glaze', { id: ulid(), paint: 'blue', for: { only: [group.id] } });
    const edge = step('edge', { id: ulid(), paint: 'blue' });
    const scheme = { ...stored.scheme, groups: [group], parts: [{ ...coat!, steps: [...coat!.steps, glaze, edge] }, cap!] };
    await saveScheme(given.stores, unit.id, { revision: stored.schemeRevision, scheme }, NOW);
    expect(await words()).to.have.members([
      '10 model-steps not painted',
      'not counted yet',
      'never due, as no model takes it: glaze on coat',
      'change without a price: due date 2026-12-20 → 2026-12-24',
    ]);
  });

  it('varnish is listed while it cures', async () => {
    const { words } = await painted(true);
    const [curing] = await loadUndone(given.stores, (await given.stores.commissions.listOpen())[0]!.id, minute(200));
    expect(curing).to.include({ what: 'varnish still curing', kind: 'curing', until: minute(60 + 20 + DAY).getTime() });
    expect(await words(minute(2 * DAY))).to.deep.equal([]);
  });

  it('it can be delivered all the same, and then Money, the statement and the file say what was not done', async () => {
    const { id, words } = await painted();
    const quote = await keepQuote(given.stores, id, '', NOW);
    await answerQuote(given.stores, quote.id, { answer: 'accepted', note: '' }, NOW);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record([given.shop.event(90, 'missed', { ...given.shop.of(coat), models: [4] })]);
    const expected = ['Keepers: 1 missed spot to touch up'];
    expect((await loadMoney(given.stores, id, minute(200))).undone).to.deep.equal(expected);
    await closeCommission(given.stores, id, { closed: true }, minute(200));
    expect((await loadMoney(given.stores, id, minute(300))).undone).to.deep.equal(expected);
    expect((await loadStatement(given.stores, id, minute(300))).undone).to.deep.equal(expected);

    const { text } = await exportCommission(given.stores, id);
    const other = await testDatabase();
    await importCommission(other.stores, JSON.parse(text), minute(400));
    const there = (await other.stores.commissions.find(id))!;
    expect(await undoneWordsOf(other.stores, there, minute(400))).to.deep.equal(expected);
    await other.close();

    await closeCommission(given.stores, id, { closed: false }, minute(500));
    expect(await words()).to.deep.equal(['1 missed spot to touch up']);
  });
});

describe('touching up', () => {
  const given = shopForEachTest();

  it('works on any painted model of any open unit, on the line or not, with its time', async () => {
    const coast = await given.shop.commission('Coast', [unitEntry('Keepers')]);
    const square = await given.shop.commission('Square', [unitEntry('Bakers')]);
    await given.shop.putOnBench(coast.id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), ALL, 2));
    await given.shop.putOnBench(square.id, minute(30));
    const [keepers, ...others] = await loadPainted(given.stores, minute(30));
    expect(others).to.deep.equal([]);
    const [coat] = keepers!.passes;
    expect([keepers!.name, coat!.part, coat!.models]).to.deep.equal(['Keepers', 'Coat', ALL]);
    const touched = { unit: keepers!.id, step: coat!.stepId, coat: coat!.coat, models: [3, 7] };
    await given.shop.record([given.shop.event(40, 'touched-up', { ...touched, minutes: 3 })]);
    const row = (await given.shop.rows()).at(-1)!;
    expect(row).to.include({ technique: 'touchup', unit: 'Keepers', models: 2, minutes: 3, open: null });
    await given.shop.record(given.shop.painting(await given.shop.pass('Bakers', 'Coat'), [1], 2, 50));
    await given.shop.record([given.shop.event(54, 'touched-up', { ...touched, models: [5] })]);
    expect((await given.shop.rows()).at(-1)).to.include({ technique: 'touchup', models: 1, minutes: 2 });
  });
});
