import { expect } from 'chai';
import { copyUnits, earlierCommissions } from '../../src/server/intake/earlierUnits';
import { loadIntakeFigures } from '../../src/server/intake/loadIntakeFigures';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { setAgreed, settleScope } from '../../src/server/intake/scope';
import { entry, minute, NOW, shopForEachTest } from '../support/shop';

describe('the scope of a commission', () => {
  const given = shopForEachTest();
  const changes = async (id: string, at = 0) => (await loadIntakeFigures(given.stores, id, minute(at))).scope;
  const save = async (id: string, units: Parameters<typeof saveIntake>[2]['units'], at = 0) => {
    const { revision } = (await given.stores.commissions.find(id))!;
    await saveIntake(given.stores, id, { revision, commission: entry, units }, minute(at));
  };

  it('is put together without a trace, and written down from the day it is agreed', async () => {
    const { id, units } = await given.shop.commission();
    await save(id, [{ ...units[0]!, promised: 8 }, units[1]!]);
    expect(await changes(id)).to.deep.equal([]);
    await setAgreed(given.stores, id, { agreed: true }, NOW);
    await save(id, [{ ...units[0]!, promised: 14 }, units[1]!], 5);
    const [change] = await changes(id);
    expect(change).to.include({ unit: 'Keepers', subject: 'models', before: '8', after: '14', at: minute(5).toISOString() });
    // The later models of a step take less time than the first.
    expect(change!.minutesAfter / change!.minutesBefore).to.be.within(1.24, 24 / 18);
    await settleScope(given.stores, change!.id, { note: 'six more by mail', priceMinor: 1500 });
    await save(id, [{ ...units[0]!, promised: 15 }, units[1]!], 9);
    expect((await changes(id)).map(({ before, after, note }) => [before, after, note])).to.deep.equal([
      ['8', '14', 'six more by mail'],
      ['14', '15', ''],
    ]);
  });

  it('has the hours of models that are still to come, and counting them is no change', async () => {
    const { id, units } = await given.shop.commission();
    const keepers = { ...units[0]!, counted: units[0]!.promised };
    await save(id, [keepers, units[1]!]);
    await setAgreed(given.stores, id, { agreed: true }, NOW);
    await save(id, [{ ...keepers, promised: keepers.promised + 6 }, units[1]!], 5);
    const [more] = await changes(id);
    expect(more!.minutesAfter).to.be.greaterThan(more!.minutesBefore * 1.1);
    await save(id, [{ ...keepers, promised: keepers.promised + 6, counted: keepers.promised + 6 }, units[1]!], 9);
    expect(await changes(id)).to.deep.equal([more]);
  });

  it('counts as agreed once a model is painted; what was logged stays', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(coat, [1, 2, 3], 2));
    await save(id, [{ ...units[0]!, promised: 12 }, units[1]!], 60);
    expect(await changes(id, 60)).to.have.lengthOf(1);
    await save(id, [units[1]!], 61);
    expect((await changes(id, 61)).map(({ subject }) => subject)).to.deep.equal(['unit removed']);
    expect((await given.shop.rows()).reduce((sum, row) => sum + row.models, 0)).to.equal(3);
  });

  it('has units of an earlier commission once more, with schemes of their own', async () => {
    const { id: first, units } = await given.shop.commission('First');
    const { id } = await given.shop.commission('Second');
    expect((await earlierCommissions(given.stores, id)).map(({ name }) => name)).to.deep.equal(['First']);
    await copyUnits(given.stores, id, { unitIds: [units[0]!.id] }, NOW);
    const copies = await given.stores.commissions.units(id);
    expect(copies.map(({ name }) => name)).to.deep.equal(['Keepers', 'Cutters', 'Keepers 2']);
    expect(copies[2]!.scheme.parts.map(({ name }) => name)).to.deep.equal(['Coat', 'Cap']);
    const [original] = await given.stores.commissions.units(first);
    expect(copies[2]!.scheme.parts[0]!.id).not.to.equal(original!.scheme.parts[0]!.id);
  });

  it('says cleaning and what is glued later as steps of the scheme, of a new unit too', async () => {
    const { id, units } = await given.shop.commission();
    const fresh = { ...units[0]!, id: 'fresh', name: 'Fresh' };
    await save(id, [
      { ...units[0]!, cleaning: 'all round', gluedLater: ['Lantern'] },
      { ...fresh, cleaning: 'what is seen from above' },
    ]);
    const [keepers, second] = await given.stores.commissions.units(id);
    expect(keepers!.scheme.allOver[0]!.technique).to.equal('clean');
    expect(keepers!.scheme.parts.at(-1)!.steps.map((step) => step.technique)).to.deep.equal(['basecoat', 'assemble']);
    expect(second!.scheme.allOver[0]).to.include({ technique: 'clean', coverage: 0.5 });
  });

  it('gives cleaning that was taken out and put back its marks again', async () => {
    const { id, units } = await given.shop.commission();
    const set = (cleaning: 'none' | 'all round') => save(id, [{ ...units[0]!, cleaning }, units[1]!]);
    await set('all round');
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', null), [1, 2], 1));
    const cleaned = async () => (await given.shop.line(id)).jobs.find((job) => job.technique === 'clean')?.models.length;
    expect(await cleaned()).to.equal(8);
    await set('none');
    expect(await cleaned()).to.equal(undefined);
    await set('all round');
    expect(await cleaned()).to.equal(8);
  });

  it('has a coat that was painted whole count as both its halves when the school changes in the middle', async () => {
    const { id, units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const [coat, cap] = unit.scheme.parts;
    const layer = { ...cap!.steps[0]!, technique: 'layer' as const };
    await saveScheme(given.stores, unit.id, { revision: 2, scheme: { ...unit.scheme, parts: [coat!, { ...cap!, steps: [layer] }] } }, NOW);
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Cap'), [1, 2, 3], 2));
    const house = await given.stores.houseRules.load();
    const hours = async () => (await loadEstimate(given.stores, id, minute(30))).handsOn;
    const before = await hours();
    await given.stores.houseRules.save({ ...house, schools: { ...house.schools, faces: 'fronts then backs' } }, 0);
    const halves = (await given.shop.line(id)).jobs.filter((job) => job.unitName === 'Keepers' && job.technique === 'layer');
    expect(halves.map((job) => [job.half, job.models.length])).to.deep.equal([
      ['fronts', 7],
      ['backs', 7],
    ]);
    // Twice as many goes at half a coat are more practice.
    expect(await hours()).to.be.within(0.95 * before, before);
    const fronts = (await given.shop.bench()).line.passes.find((pass) => pass.half === 'fronts')!;
    await given.shop.record(given.shop.painting(fronts, [4, 5], 1, 40));
    await given.stores.houseRules.save(house, 1);
    const whole = (await given.shop.line(id)).jobs.filter((job) => job.unitName === 'Keepers' && job.technique === 'layer');
    expect(whole.map((job) => [job.half, job.models.length])).to.deep.equal([[null, 7]]);
    expect((await given.shop.rows()).find((row) => row.technique === 'layer' && row.models === 2)).to.include({ weight: 1 });
  });
});
