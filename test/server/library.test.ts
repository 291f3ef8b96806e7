import { expect } from 'chai';
import { InputError } from '../../src/core/kernel/InputError';
import { readScheme } from '../../src/core/formats/scheme/schemeFile';
import { closeCommission } from '../../src/server/intake/lifecycle';
import { addFileToLibrary, keepInLibrary, libraryFile, loadLibrary, noteUse, setRemoved } from '../../src/server/schemes/library';
import { minute, NOW, rejected, shopForEachTest } from '../support/shop';

describe('the library', () => {
  const given = shopForEachTest();

  it('keeps a scheme beyond its commission, with what it took', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    const cap = await given.shop.pass('Keepers', 'Cap');
    await given.shop.record([...given.shop.painting(coat, [1, 2, 3, 4], 3), ...given.shop.painting(cap, [1, 2], 1, 20)]);
    const kept = await keepInLibrary(given.stores, { unitId: units[0]!.id, partId: null, name: 'Harbour watch' }, NOW);
    await closeCommission(given.stores, id, { closed: true }, minute(60));
    const [entry] = await loadLibrary(given.stores, minute(70));
    expect(entry).to.deep.include({ id: kept.id, name: 'Harbour watch', kind: 'scheme', size: 'foot', models: 10, parts: ['Coat', 'Cap'] });
    expect(entry!.uses).to.have.lengthOf(1);
    expect(entry!.uses[0]!.minutesPerModel).to.be.closeTo(4, 0.01);
    const file = readScheme(JSON.parse((await libraryFile(given.stores, kept.id)).file));
    expect(file.scheme.parts.map(({ name }) => name)).to.deep.equal(['Coat', 'Cap']);
  });

  it('keeps one part as a recipe, for every model', async () => {
    const { units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[0]!.id))!;
    const kept = await keepInLibrary(given.stores, { unitId: unit.id, partId: unit.scheme.parts[1]!.id, name: 'Cap' }, NOW);
    const { scheme } = readScheme(JSON.parse((await libraryFile(given.stores, kept.id)).file));
    expect([scheme.parts.length, scheme.allOver.length, scheme.groups.length]).to.deep.equal([1, 0, 0]);
    expect((await loadLibrary(given.stores, NOW))[0]!.kind).to.equal('base recipe');
  });

  it('tells where it was used, takes files in, and puts back what was removed', async () => {
    const { units } = await given.shop.commission();
    const first = await keepInLibrary(given.stores, { unitId: units[0]!.id, partId: null, name: 'Watch' }, NOW);
    await noteUse(given.stores, first.id, { unitId: units[1]!.id }, minute(5));
    expect((await loadLibrary(given.stores, NOW))[0]!.uses.map(({ unit }) => unit)).to.deep.equal(['Keepers', 'Cutters']);
    const again = await addFileToLibrary(given.stores, JSON.parse((await libraryFile(given.stores, first.id)).file), NOW);
    expect(again.name).to.equal('Watch');
    await setRemoved(given.stores, first.id, { removed: true }, NOW);
    expect((await loadLibrary(given.stores, NOW)).map(({ id }) => id)).to.deep.equal([again.id]);
    await setRemoved(given.stores, first.id, { removed: false }, NOW);
    expect(await loadLibrary(given.stores, NOW)).to.have.lengthOf(2);
    expect(await rejected(addFileToLibrary(given.stores, { format: 'other' }, NOW))).to.be.instanceOf(InputError);
  });
});
