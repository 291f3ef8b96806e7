import { expect } from 'chai';
import { ulid } from 'ulid';
import { allModels } from '../../src/core/scheme/model/whoTakes';
import { moveModels } from '../../src/server/intake/moveModels';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { entry as terms, minute, NOW, rejected, shopForEachTest, unitEntry } from '../support/shop';
import { step } from '../support/units';

describe('models that are moved to another unit', () => {
  const given = shopForEachTest();
  const unitsNow = (id: string) => given.stores.commissions.units(id);

  /** Keepers have two too many, cutters two too few; the last three keepers are primed, and one of them has a coat as well. */
  async function primed(primer = 'red') {
    const units = [unitEntry('Keepers', { counted: 12, trayLimit: 12 }), unitEntry('Cutters', { counted: 8 })];
    const { id } = await given.shop.commission('Coast', units);
    for (const [place, unit] of (await unitsNow(id)).entries()) {
      const allOver = [step('prime', { id: ulid(), paint: place === 0 ? 'red' : primer, coverage: 1 })];
      await saveScheme(given.stores, unit.id, { revision: unit.schemeRevision, scheme: { ...unit.scheme, allOver } }, NOW);
    }
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', null), [3, 11, 12], 1));
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), [12], 1, 60));
    const [keepers, cutters] = await unitsNow(id);
    return { id, keepers: keepers!, cutters: cutters! };
  }
  const move = (from: string, to: string, models: number[]) => moveModels(given.stores, from, { to, models }, minute(80));
  const marks = async (name: string, part: string | null) => {
    const { key } = await given.shop.pass(name, part);
    return [...((await given.shop.bench(minute(90))).marks.marks.get(key)?.keys() ?? [])].sort((a, b) => a - b);
  };

  it('bring along what both units have, and both counts follow', async () => {
    const { id, keepers, cutters } = await primed();
    const rows = await given.shop.rows();
    await move(keepers.id, cutters.id, [11, 12]);
    expect((await unitsNow(id)).map((unit) => [unit.counted, allModels(unit).length, unit.gone.length])).to.deep.equal([
      [10, 10, 0],
      [10, 10, 0],
    ]);
    expect([await marks('Cutters', null), await marks('Cutters', 'Coat')]).to.deep.equal([[9, 10], [10]]);
    expect(await marks('Keepers', null)).to.include(3);
    const [from, to] = await unitsNow(id);
    const entry = ({ commissionId: _, schemeRevision: _revision, scheme: _scheme, ...unit }: typeof keepers) => unit;
    const { revision } = (await given.stores.commissions.find(id))!;
    await saveIntake(given.stores, id, { revision, commission: terms, units: [{ ...entry(from!), counted: 12 }, entry(to!)] }, minute(81));
    // Whoever has their numbers next carries nothing.
    expect(await marks('Keepers', null)).to.deep.equal([3]);
    // Nothing was painted meanwhile.
    expect(await given.shop.rows()).to.deep.equal(rows);
  });

  it('leave what is done with another paint behind, and the others keep their numbers', async () => {
    const { id, keepers, cutters } = await primed('blue');
    await move(keepers.id, cutters.id, [3]);
    const [from] = await unitsNow(id);
    expect(allModels(from!)).to.deep.equal([1, 2, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
    expect([await marks('Cutters', null), await marks('Keepers', null)]).to.deep.equal([[], [11, 12]]);
  });

  it('are refused where they are not there, or the unit would be empty', async () => {
    const { keepers, cutters } = await primed();
    expect((await rejected(move(keepers.id, cutters.id, [13]))).message).to.include('name models of Keepers that are there');
    expect((await rejected(move(keepers.id, cutters.id, [3, 3]))).message).to.include('name every model once');
    expect((await rejected(move(keepers.id, keepers.id, [1]))).message).to.include('name another unit');
    expect((await rejected(move(cutters.id, keepers.id, [1, 2, 3, 4, 5, 6, 7, 8]))).message).to.include('leave at least one model');
  });
});
