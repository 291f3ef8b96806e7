import { expect } from 'chai';
import { unitAmounts } from '../../src/core/paint/amounts';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/model/houseRules';
import { loadLegSheet } from '../../src/server/plan/loadLegSheet';
import { mlWords } from '../../src/core/paint/amountWords';
import { coatMl, PALETTE_ML } from '../../src/core/paint/films';
import { UNKNOWN_POT } from '../../src/core/paint/shelf';
import { buyingDocument } from '../../src/print/buying';
import { toPdf } from '../../src/print/pdf';
import { loadFigures } from '../../src/server/bench/loadFigures';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { addPaints } from '../../src/server/shelf/addPaints';
import { loadToday } from '../../src/server/today/loadToday';
import { loadShelf } from '../../src/server/shelf/loadShelf';
import { mergePaints } from '../../src/server/shelf/mergePaints';
import { forgetLevel, readPots } from '../../src/server/shelf/potLevels';
import { removePaint } from '../../src/server/shelf/removePaint';
import { savePaint } from '../../src/server/shelf/savePaint';
import { forgetSeen, sawMix } from '../../src/server/shelf/seenMixes';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { ConflictError } from '../../src/server/stores/errors';
import { testDatabase } from '../support/database';
import { dayOfText } from '../../src/ui/format';
import { readPdf } from '../support/pdf';
import { minute, rejected, shopForEachTest, unitEntry } from '../support/shop';
import { paint } from '../support/units';

describe('the shelf', () => {
  const given = shopForEachTest();
  const shelf = (at = 60) => loadShelf(given.stores, minute(at));
  const level = (paintId: string, ml: number, at: number, byEye = false) =>
    readPots(given.stores, { levels: [{ id: `${paintId} ${at}`.replace(' ', '-'), paintId, ml, byEye }] }, minute(at));
  const need = async (paintId: string, at = 60) => (await shelf(at)).needs.find((each) => each.paintId === paintId);

  it('knows what open work takes, what is left after the taps, and where a pot runs dry', async () => {
    const { id, units } = await given.shop.commission();
    const scheme = (await given.stores.commissions.findUnit(units[0]!.id))!.scheme;
    const coverage = (name: string) => scheme.parts.find((part) => part.name === name)!.steps[0]!.coverage;
    const paintOf = (name: string) => scheme.parts.find((part) => part.name === name)!.steps[0]!.paint!;
    const [coat, cap] = [paintOf('Coat'), paintOf('Cap')];
    // Two units of ten foot figures, 30 cm2 each.
    const perModel = coatMl('basecoat', 30 * coverage('Coat'));
    expect((await need(coat))!.needMl).to.be.closeTo(2 * (10 * perModel + PALETTE_ML), 1e-9);
    expect((await need(coat))!.leftMl).to.equal(null);

    await level(coat, 2 * perModel + 2 * PALETTE_ML, 1);
    await level(cap, 15, 1);
    await given.shop.putOnBench(id);
    const dry = (await need(coat))!;
    expect(dry.dry!.planned).to.include({ commission: 'Coast' });
    expect(dry.dry!.planned!.what.toLowerCase()).to.include('coat');
    expect((await need(cap))!.dry).to.equal(null);

    const pass = await given.shop.pass('Cutters', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2], 2, 5));
    const after = (await need(coat))!;
    expect(after.needMl).to.be.closeTo(18 * perModel + 2 * PALETTE_ML, 1e-9);
    expect(after.leftMl).to.be.closeTo(PALETTE_ML, 1e-9);
    expect(after.isBegun).to.equal(true);

    // Today says it before it happens, by the same sum.
    const { shortPaints } = await loadToday(given.stores, minute(60));
    expect(shortPaints.map(({ id: each }) => each)).to.deep.equal([coat]);
    expect(shortPaints[0]!.missingMl).to.be.closeTo(after.needMl - after.leftMl!, 1e-9);

    // The same figures at the bench.
    const { amounts } = await loadFigures(given.stores, minute(60));
    const cutters = amounts.find(({ passKey, potId }) => passKey === pass.key && potId === coat)!;
    expect(cutters.text).to.equal(`about ${(8 * perModel + PALETTE_ML).toFixed(1).replace(/\.0$/, '')} ml for 8 models; 0.1 ml in the pot`);
    expect(cutters.short).to.match(/^Only 0\.1 ml .+ is left: not enough/);
  });

  it('keeps what was used when its step is taken out, when it is undone gives it back, and counts another pot by itself', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Cutters', 'Coat');
    const { paintId } = (await given.shop.bench()).line.jobs.find(({ passKey }) => passKey === pass.key)!;
    await level(paintId!, 10, 1);
    const events = given.shop.painting(pass, [1, 2], 2, 5);
    await given.shop.record(events);
    const left = (await shelf()).left[paintId!]!;
    expect(left).to.be.below(10);
    const unit = (await given.stores.commissions.findUnit(pass.unitId))!;
    const parts = unit.scheme.parts.filter(({ name }) => name !== 'Coat');
    await saveScheme(given.stores, unit.id, { revision: unit.schemeRevision, scheme: { ...unit.scheme, parts } }, minute(20));
    expect((await shelf()).left[paintId!]).to.be.closeTo(left, 1e-9);
    await given.shop.record([given.shop.event(30, 'undone', { ...given.shop.of(pass), models: [2], target: events[2]!.id })]);
    expect((await shelf()).left[paintId!])
      .to.be.above(left)
      .and.below(10);
  });

  it('learns from a pot that is read again after some work, and forgets a level that is taken back', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Cutters', 'Coat');
    const { paintId } = (await given.shop.bench())!.line.jobs.find(({ passKey }) => passKey === pass.key)!;
    await level(paintId!, 10, 1);
    await given.shop.record(given.shop.painting(pass, [1, 2, 3, 4, 5], 2, 5));
    await level(paintId!, 6, 40);
    const learned = await shelf();
    expect(learned.foretold!.pairs).to.equal(1);
    expect(learned.factors.brushed).to.be.above(1.5);
    expect(learned.foretold!.learned).to.be.below(learned.foretold!.assumed);
    expect(learned.left[paintId!]).to.equal(6);
    await forgetLevel(given.stores, `${paintId}-40`);
    const back = await shelf();
    expect([back.foretold, back.factors]).to.deep.equal([null, {}]);
    expect(back.left[paintId!]).to.be.below(10);
  });

  it('keeps what nobody said of a pot as it is, and refuses what was changed elsewhere', async () => {
    await given.stores.paints.addMissing([paint('red')]);
    const pot = { ...UNKNOWN_POT, maker: 'Saltmere', volumeMl: 18, discontinued: true, place: 'B2' };
    await savePaint(given.stores, { revision: 1, paint: { ...paint('red'), ...pot } });
    await savePaint(given.stores, { revision: 2, paint: { ...paint('red'), name: 'Redder' } as never });
    const [stored] = (await shelf()).paints;
    expect(stored).to.include({ ...pot, name: 'Redder', revision: 3 });
    expect(await rejected(savePaint(given.stores, { revision: 1, paint: paint('red') as never }))).to.be.instanceOf(ConflictError);
  });

  it('does not double paints of one name and colour, and lets go only of what nobody needs', async () => {
    const { id } = await given.shop.commission();
    const before = (await shelf()).paints.length;
    const red = (await given.stores.paints.list()).find(({ id: each }) => each === 'red')!;
    const fresh = { ...paint('fresh'), name: 'Fresh', hex: '#123456' };
    const paints = [{ ...red, id: 'other' }, fresh, { ...fresh, id: 'again' }] as never[];
    expect(await addPaints(given.stores, { paints })).to.deep.equal({ added: 1, known: 2 });
    expect((await shelf()).paints.length).to.equal(before + 1);
    await removePaint(given.stores, 'fresh');
    expect((await shelf()).paints.length).to.equal(before);
    expect((await rejected(removePaint(given.stores, 'red'))).message).to.match(/is in a scheme/);
    expect((await rejected(removePaint(given.stores, 'fresh'))).message).to.match(/not on the shelf any more/);
    expect(id).to.be.a('string');
  });

  it('asks once about paints of a file that are there by name and colour, and makes them one', async () => {
    const { id } = await given.shop.commission();
    const { text } = await exportCommission(given.stores, id);
    const other = await testDatabase();
    const red = (await given.stores.paints.list()).find(({ id: each }) => each === 'red')!;
    await other.stores.paints.addMissing([{ ...red, id: 'mine' }]);
    const { doubles } = await importCommission(other.stores, JSON.parse(text), minute(1));
    expect(doubles).to.deep.equal([{ name: red.name, keep: 'mine', replace: 'red' }]);
    expect(await mergePaints(other.stores, { pairs: doubles }, minute(2))).to.deep.equal({ gone: 1 });
    expect((await other.stores.paints.list()).map(({ id: each }) => each).sort()).to.deep.equal(['blue', 'mine']);
    expect(JSON.stringify((await other.stores.commissions.units(id)).map(({ scheme }) => scheme))).not.to.include('"paint":"red"');
    await other.close();
  });

  it('says on the leg sheet what to mix, once, where the mix is used first', async () => {
    const { id, units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const of = [{ paint: 'red', parts: 2 }, { paint: 'blue', parts: 1 }]; // prettier-ignore
    const mixes = [{ id: 'm', name: 'Plum', of, thin: { with: 'water' as const, parts: 1 } }];
    const parts = unit.scheme.parts.map((part) => ({ ...part, steps: part.steps.map((step) => ({ ...step, paint: null, mix: 'm' })) }));
    await saveScheme(given.stores, unit.id, { revision: unit.schemeRevision, scheme: { ...unit.scheme, mixes, parts } }, minute(1));
    const { suggested, selection } = await given.shop.line(id, minute(2));
    const sheet = await loadLegSheet(given.stores, { selection, order: suggested, inSessions: true }, minute(2));
    const said = sheet.legs
      .flatMap(({ jobs }) => jobs)
      .map((job) => [job.unitName, job.recipe.filter((text) => text.startsWith('mix '))] as const);
    const mixed = said.filter(([, texts]) => texts.length > 0);
    expect(mixed.length).to.equal(1);
    const [[unitName, [text]]] = mixed as unknown as [[string, [string]]];
    expect(unitName).to.equal('Keepers');
    const { mixes: amounts } = unitAmounts((await given.stores.commissions.findUnit(unit.id))!, 'table', DEFAULT_HOUSE_RULES);
    const { times, madeMl } = amounts[0]!;
    expect(text).to.equal(
      `mix ${2 * times} drops Paint red, ${times} drops Paint blue, ${times} drops water (${madeMl.toFixed(1)} ml): enough for 10 models and a little more`,
    );
  });

  it('learns how strong paints are from a mix that was seen dry, and the mix looks so everywhere and in files', async () => {
    const { id, units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const [dark, light] = [{ ...paint('dark'), hex: '#203a60' }, { ...paint('light'), hex: '#e8e0c8' }]; // prettier-ignore
    await given.stores.paints.addMissing([dark, light]);
    const of = [{ paint: 'dark', parts: 1 }, { paint: 'light', parts: 1 }]; // prettier-ignore
    const scheme = { ...unit.scheme, mixes: [{ id: 'm', name: 'Half', of, thin: null }] };
    await saveScheme(given.stores, unit.id, { revision: unit.schemeRevision, scheme }, minute(1));
    const off = await sawMix(given.stores, { id: 'seen', unit: unit.id, mix: 'm', hex: '#a8aab0' }, minute(2));
    expect(off.after).to.be.below(off.before - 2);
    const strengths = (await given.stores.paints.list()).map(({ id: each, strength }) => [each, strength]);
    expect(Object.fromEntries(strengths)).to.include.keys('dark', 'light');
    const { seen } = await shelf();
    expect(seen.map(({ mix, before, after }) => [mix, before! > after!])).to.deep.equal([['Half', true]]);

    const { text } = await exportCommission(given.stores, id);
    const other = await testDatabase();
    await importCommission(other.stores, JSON.parse(text), minute(3));
    expect((await other.stores.paints.list()).find(({ id: each }) => each === 'dark')!.strength).to.equal(
      (await given.stores.paints.list()).find(({ id: each }) => each === 'dark')!.strength,
    );
    await other.close();

    // Another colour of the pot is another strength; taken back, all is as usual.
    const [stored] = (await shelf()).paints.filter(({ id: each }) => each === 'dark');
    const { strength: _before, revision, ...values } = stored!;
    await savePaint(given.stores, { revision, paint: { ...values, hex: '#102030' } });
    expect((await given.stores.paints.list()).find(({ id: each }) => each === 'dark')!.strength).to.not.equal(stored!.strength);
    await forgetSeen(given.stores, 'seen');
    expect((await given.stores.paints.list()).filter(({ strength }) => strength !== undefined)).to.deep.equal([]);
    expect((await rejected(sawMix(given.stores, { id: 's', unit: unit.id, mix: 'gone', hex: '#000000' }, minute(4)))).message).to.match(
      /not in the scheme/,
    );
  });

  it('keeps what was used on a unit that was taken out, and on a commission that was deleted', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Cutters', 'Coat');
    await level('red', 10, 1);
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2, 5));
    const left = (await shelf()).left['red']!;
    expect(left).to.be.below(10);
    const { revision, ...commission } = (await given.stores.commissions.find(id))!;
    const onlyFirst = { revision, commission, units: units.slice(0, 1) } as unknown as Parameters<typeof saveIntake>[2];
    await saveIntake(given.stores, id, onlyFirst, minute(50));
    expect((await shelf()).left['red'], 'the unit is out').to.be.closeTo(left, 1e-9);
    await given.stores.commissions.setDeleted(id, minute(55).toISOString());
    expect((await shelf()).left['red'], 'the commission is deleted').to.be.closeTo(left, 1e-9);
  });

  it('is asked of one commission alone, and what each needs adds up to what all do', async () => {
    const one = await given.shop.commission('Coast');
    const other = await given.shop.commission('Harbour', [unitEntry('Ferry')]);
    await level('red', 0.2, 1);
    const all = (await need('red'))!;
    const of = async (id: string | null) => loadShelf(given.stores, minute(60), id);
    const [first, second] = await Promise.all([of(one.id), of(other.id)]);
    const needed = (picture: typeof first) => picture.needs.find(({ paintId }) => paintId === 'red')!.needMl;
    expect(needed(first) + needed(second)).to.be.closeTo(all.needMl, 1e-9);
    expect(second.toBuy.map(({ paintId, missingMl }) => [paintId, missingMl.toFixed(6)])).to.deep.equal([
      ['red', (needed(second) - 0.2).toFixed(6)],
    ]);
    expect(second.commissions.map(({ name }) => name)).to.have.members(['Coast', 'Harbour']);
    expect((await rejected(of('gone'))).message).to.match(/not open any more/);

    const { pages } = await readPdf(await toPdf(buyingDocument(second, minute(60))));
    const words = `For Harbour, as of Mon 23 Nov By Paint Short Pots Price ${dayOfText(second.toBuy[0]!.by!)} Paint red ${mlWords(needed(second) - 0.2)}`;
    expect(pages[0]).to.include(words);
    expect((await readPdf(await toPdf(buyingDocument({ ...second, toBuy: [] }, minute(60))))).pages[0]).to.include(
      'Nothing: what is on the shelf',
    );
  });

  it('says before the line is put on the bench what it would run out of', async () => {
    const { id } = await given.shop.commission();
    const before = await given.shop.line(id, minute(2));
    expect(before.shortPaints, 'nobody has read a pot').to.deep.equal([]);
    await level('red', 0.2, 1);
    const { shortPaints } = await given.shop.line(id, minute(3));
    expect(shortPaints.map(({ name, missingMl }) => [name, missingMl])).to.deep.equal([['Paint red', (await need('red'))!.needMl - 0.2]]);
  });
});
