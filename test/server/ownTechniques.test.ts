import { expect } from 'chai';
import { parse } from '../../src/core/formats/fields';
import { byTechnique, newTechnique } from '../../src/core/scheme/authoring/ownTechnique';
import { houseRulesSchema, saveHouseRules } from '../../src/server/house/saveHouseRules';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { exportTimeLog } from '../../src/server/ledger/loadLog';
import { importTimeLog } from '../../src/server/ledger/importTimeLog';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { testDatabase } from '../support/database';
import { minute, rejected, shopForEachTest } from '../support/shop';

const smear = { ...newTechnique('smear', 'Dust smear', 'glaze'), effort: 2, brush: 'Worn flat' };

describe('techniques of the painter’s own', () => {
  const given = shopForEachTest();
  const save = async (techniques: unknown[], at = 1) => {
    const { strays: _strays, ...rules } = await given.stores.houseRules.load();
    const revision = await given.stores.houseRules.revision();
    return saveHouseRules(given.stores, parse(houseRulesSchema, { revision, rules: { ...rules, techniques } }), minute(at));
  };
  /** The coat of the cutters is smeared on. */
  const smeared = async () => {
    const { id, units } = await given.shop.commission();
    const unit = (await given.stores.commissions.findUnit(units[1]!.id))!;
    const parts = unit.scheme.parts.map((part) =>
      part.name === 'Coat' ? { ...part, steps: part.steps.map((step) => ({ ...step, ...byTechnique(smear) })) } : part,
    );
    const scheme = { ...unit.scheme, parts };
    await saveScheme(given.stores, unit.id, { revision: unit.schemeRevision, scheme }, minute(1));
    return { id, unitId: unit.id };
  };

  it('are planned, painted with their brush and logged by their name', async () => {
    const { id } = await smeared();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Cutters', 'Coat');
    expect(pass).to.deep.include({ technique: 'glaze', own: { name: 'Dust smear', caution: '' }, brush: 'Worn flat', effort: 2 });
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2, 5));
    const [row] = (await given.shop.rows()).filter(({ technique }) => technique === 'glaze');
    expect(row).to.include({ called: 'Dust smear', models: 3, effort: 2, weight: 6 });
    const { marks } = await given.shop.bench(minute(20));
    expect(marks.marks.get(pass.key)!.get(1)!.setupId).to.equal('glaze:Dust%20smear@Worn%20flat|red');

    // Named still in a file, at another bench.
    const other = await testDatabase();
    const { text } = await exportCommission(given.stores, id);
    await importCommission(other.stores, JSON.parse(text), minute(30));
    const [unit] = (await other.stores.commissions.units(id)).filter(({ name }) => name === 'Cutters');
    expect(unit!.scheme.parts[0]!.steps[0]!.own).to.deep.equal(smear);
    expect((await other.stores.timeLog.list()).map(({ called }) => called)).to.include('Dust smear');
    await other.close();
    const alone = await testDatabase();
    const csv = await exportTimeLog(given.stores);
    await importTimeLog(alone.stores, { csv, confirm: true }, minute(31));
    expect((await alone.stores.timeLog.list()).map(({ called }) => called)).to.include('Dust smear');
    await alone.close();
  });

  it('follow House rules in all open work, also half painted, and leave what was logged', async () => {
    const { id, unitId } = await smeared();
    await save([smear]);
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Cutters', 'Coat');
    await given.shop.record(given.shop.painting(pass, [1, 2, 3], 2, 5));
    const before = (await given.stores.commissions.findUnit(unitId))!.schemeRevision;
    await save([{ ...smear, name: 'Road dust', effort: 1 }], 20);
    const unit = (await given.stores.commissions.findUnit(unitId))!;
    expect(unit.scheme.parts[0]!.steps[0]!.own).to.include({ name: 'Road dust', effort: 1 });
    expect(await given.shop.pass('Cutters', 'Coat')).to.deep.include({ effort: 1, own: { name: 'Road dust', caution: '' } });
    const { marks } = await given.shop.bench(minute(21));
    expect([...marks.marks.get(pass.key)!.keys()]).to.deep.equal([1, 2, 3]);
    expect((await given.shop.rows()).find(({ technique }) => technique === 'glaze')).to.include({ called: 'Dust smear', effort: 2 });
    // Nothing new is nothing stored; taken off the list, the step keeps it.
    await save([{ ...smear, name: 'Road dust', effort: 1 }], 22);
    await save([], 23);
    const after = (await given.stores.commissions.findUnit(unitId))!;
    expect(after.schemeRevision).to.equal(before + 1);
    expect(after.scheme.parts[0]!.steps[0]!.own).to.include({ name: 'Road dust' });
  });

  it('have a name that no other technique has', async () => {
    expect((await rejected(save([smear, { ...smear, id: 'b', name: 'dust SMEAR' }]))).message).to.match(
      /techniques\[1\]\.name is "dust SMEAR"/,
    );
    expect((await rejected(save([{ ...smear, name: 'Glaze' }]))).message).to.match(/a name that no other technique has/);
    expect((await rejected(save([{ ...smear, effort: 0 }]))).message).to.match(/techniques\[0\]\.effort/);
  });
});
