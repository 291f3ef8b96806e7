import { expect } from 'chai';
import { duplicateCommission } from '../../src/server/intake/lifecycle';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { setAgreed, settleScope } from '../../src/server/intake/scope';
import { idleClock } from '../../src/core/bench/replay/foldClock';
import { BenchReadiness } from '../../src/core/bench/guide/readiness';
import { withCleaning } from '../../src/core/scheme/authoring/buildChoices';
import { allModels } from '../../src/core/scheme/model/whoTakes';
import { readCommission } from '../../src/core/formats/commission/commission';
import { ALL, entry, minute, NOW, shopForEachTest, unitEntry } from '../support/shop';
import { leaderGroup, scheme, step } from '../support/units';

type Units = Parameters<typeof saveIntake>[2]['units'];

describe('who is who when the count changes', () => {
  const given = shopForEachTest();
  const unitsNow = (id: string) => given.stores.commissions.units(id);
  const save = async (id: string, units: Units, at = 0) => {
    const { revision } = (await given.stores.commissions.find(id))!;
    await saveIntake(given.stores, id, { revision, commission: entry, units }, minute(at));
  };
  const boots = { id: 'boots', name: 'Boots', options: [option('tan', [1, 2, 3, 4, 5, 10]), option('tar', [6, 7, 8, 9])] };
  function option(id: string, models: number[]) {
    return { id, name: id, models };
  }

  async function ofTen() {
    const keepers = unitEntry('Keepers');
    const { id } = await given.shop.commission('Coast', [keepers]);
    const [unit] = await unitsNow(id);
    const groups = [
      { ...leaderGroup(1), models: [10] },
      { ...leaderGroup(0), id: 'crew', name: 'crew', kind: 'squad' as const, models: [3, 8, 9] },
    ];
    await saveScheme(
      given.stores,
      keepers.id,
      { revision: unit!.schemeRevision, scheme: scheme(unit!.scheme.parts, [], { groups, variants: [boots] }) },
      NOW,
    );
    return { id, keepers };
  }
  const lots = async (id: string) => {
    const [unit] = await unitsNow(id);
    const { groups, variants } = unit!.scheme;
    return { there: allModels(unit!), who: [...groups, ...variants[0]!.options].map(({ models }) => models) };
  };

  it('is kept over one that is too small and back', async () => {
    const { id, keepers } = await ofTen();
    const before = await lots(id);
    await save(id, [{ ...keepers, counted: 1 }]);
    expect((await lots(id)).who).to.deep.equal([[], [], [1], []]);
    await save(id, [{ ...keepers, counted: 10 }]);
    expect(await lots(id)).to.deep.equal(before);
  });

  it('says which models are gone, and the others keep their numbers and what they carry', async () => {
    const { id, keepers } = await ofTen();
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(coat, [10], 2));
    await save(id, [{ ...keepers, counted: 8, gone: [3, 9].map((model) => ({ model, in: [] })) }], 5);
    expect(await lots(id)).to.deep.equal({ there: [1, 2, 4, 5, 6, 7, 8, 10], who: [[10], [8], [1, 2, 4, 5, 10], [6, 7, 8]] });
    const { line, marks } = await given.shop.bench(minute(6));
    const now = line.passes.find((pass) => pass.key === coat.key)!;
    expect(now.models).to.deep.equal([1, 2, 4, 5, 6, 7, 8, 10]);
    expect([...marks.marks.get(coat.key)!.keys()]).to.deep.equal([10]);
    await save(id, [{ ...keepers, counted: 9, gone: [{ model: 3, in: [] }] }], 7);
    expect((await lots(id)).who).to.deep.equal([[10], [8, 9], [1, 2, 4, 5, 10], [6, 7, 8, 9]]);
  });

  it('travels with the file, and a like order has them all again', async () => {
    const { id, keepers } = await ofTen();
    await save(id, [{ ...keepers, counted: 9, gone: [{ model: 3, in: [] }] }]);
    const { units } = readCommission(JSON.parse((await exportCommission(given.stores, id)).text));
    expect(units[0]!.gone).to.deep.equal([{ model: 3, in: ['crew', 'tan'] }]);
    const copy = await duplicateCommission(given.stores, id, { name: 'Again', dueOn: '2027-01-01' }, NOW);
    expect(await lots(copy.id)).to.deep.equal({
      there: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10],
      who: [[10], [3, 8, 9], [1, 2, 3, 4, 5, 10], [6, 7, 8, 9]],
    });
  });

  it('lets a model that comes later hold nobody up but itself', async () => {
    const keepers = unitEntry('Keepers');
    const { id } = await given.shop.commission('Coast', [keepers]);
    const [unit] = await unitsNow(id);
    const prime = step('prime', { id: 'primer', paint: 'red' });
    await saveScheme(given.stores, keepers.id, { revision: unit!.schemeRevision, scheme: scheme(unit!.scheme.parts, [prime]) }, NOW);
    await given.shop.putOnBench(id);
    const primer = await given.shop.pass('Keepers', null);
    await given.shop.record(given.shop.painting(primer, ALL, 1));
    await save(id, [{ ...keepers, promised: 11 }], 20);
    const at = minute(24 * 60);
    const { line, marks } = await given.shop.bench(at);
    const coat = line.passes.find(({ part }) => part === 'Coat')!;
    expect(line.units[0]!.trays.map(({ models }) => models)).to.deep.equal([ALL, [11]]);
    const readiness = new BenchReadiness(line, [], marks, idleClock());
    expect(ALL.filter((model) => readiness.of(coat.key, model).readyAt > at.getTime())).to.deep.equal([]);
    expect(readiness.of(coat.key, 11).readyAt).to.equal(Infinity);
    expect(readiness.broken(coat.key, [11]).map(({ before }) => before.technique)).to.deep.equal(['prime']);
    await save(id, [keepers], 30);
    await save(id, [{ ...keepers, promised: 11 }], 31);
    expect((await unitsNow(id))[0]!.late).to.deep.equal([11]);
  });

  it('brings a step of the build back as it was', async () => {
    const { id, keepers } = await ofTen();
    await save(id, [{ ...keepers, cleaning: 'all round' }]);
    const [cleaned] = await unitsNow(id);
    const own = { ...cleaned!.scheme, allOver: cleaned!.scheme.allOver.map((step) => ({ ...step, note: 'mind the ferrule' })) };
    expect(withCleaning(own, 'all round', () => 'x')).to.equal(own);
    await saveScheme(given.stores, keepers.id, { revision: cleaned!.schemeRevision, scheme: own }, NOW);
    await save(id, [{ ...keepers, cleaning: 'none' }]);
    expect((await unitsNow(id))[0]!.scheme.allOver).to.deep.equal([]);
    await save(id, [{ ...keepers, cleaning: 'all round' }]);
    expect((await unitsNow(id))[0]!.scheme.allOver).to.deep.equal(own.allOver);
  });

  it('leaves no price of a settled change that is taken back, and has it again when it is made again', async () => {
    const { id, units } = await given.shop.commission();
    const changes = () => given.stores.scope.ofCommission(id);
    await setAgreed(given.stores, id, { agreed: true }, NOW);
    await save(id, [{ ...units[0]!, promised: 12 }, units[1]!], 5);
    await settleScope(given.stores, (await changes())[0]!.id, { note: 'two more', priceMinor: 5000 });
    const [settled] = await changes();
    await save(id, [{ ...units[0]!, promised: 11 }, units[1]!], 6);
    expect(await changes()).to.have.lengthOf(2);
    await save(id, units, 7);
    expect(await changes()).to.deep.equal([]);
    await save(id, [{ ...units[0]!, promised: 12 }, units[1]!], 8);
    expect(await changes()).to.deep.equal([settled]);
  });

  it('writes a change of scope with what it is a change of, or neither', async () => {
    const { id, units } = await given.shop.commission();
    await setAgreed(given.stores, id, { agreed: true }, NOW);
    await given.database.knex.raw("CREATE TRIGGER full BEFORE INSERT ON scope_change BEGIN SELECT RAISE(ABORT, 'the disk is full'); END");
    await save(id, [{ ...units[0]!, promised: 12 }, units[1]!], 5).then(
      () => expect.fail('it was taken'),
      () => undefined,
    );
    expect((await unitsNow(id)).map(({ promised }) => promised)).to.deep.equal([10, 10]);
  });
});
