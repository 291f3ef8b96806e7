import { expect } from 'chai';
import { copyUnits, earlierCommissions } from '../../src/server/commissions/earlierUnits';
import { loadIntakeFigures } from '../../src/server/commissions/loadIntakeFigures';
import { saveIntake } from '../../src/server/commissions/saveIntake';
import { noteScope, setAgreed } from '../../src/server/commissions/scope';
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
    expect(change!.minutesAfter / change!.minutesBefore).to.be.closeTo(24 / 18, 1e-6);
    await noteScope(given.stores, change!.id, { note: 'six more by mail' });
    await save(id, [{ ...units[0]!, promised: 15 }, units[1]!], 9);
    expect((await changes(id)).map(({ before, after, note }) => [before, after, note])).to.deep.equal([
      ['8', '14', 'six more by mail'],
      ['14', '15', ''],
    ]);
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
});
