import { expect } from 'chai';
import { InputError } from '../../src/core/kernel/InputError';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { loadMoney } from '../../src/server/money/loadMoney';
import { testDatabase, type TestDatabase } from '../support/database';
import { entry, minute, rejected, shopForEachTest } from '../support/shop';

describe('what was taken out', () => {
  const given = shopForEachTest();
  let other: TestDatabase;
  beforeEach(async () => (other = await testDatabase()));
  afterEach(() => other.close());

  const save = async (stores: TestDatabase['stores'], id: string, units: Parameters<typeof saveIntake>[2]['units'], at: number) => {
    const { revision } = (await stores.commissions.find(id))!;
    await saveIntake(stores, id, { revision, commission: entry, units }, minute(at));
  };

  /** Half of both units is painted; then one of them is taken out at Intake, and a painted part out of the scheme of the other. */
  async function halfTakenOut() {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Cutters', 'Coat');
    const cap = await given.shop.pass('Keepers', 'Cap');
    await given.shop.record([...given.shop.painting(coat, [1, 2, 3], 2), ...given.shop.painting(cap, [1, 2], 3, 10)]);
    const [keepers] = await given.stores.commissions.units(id);
    const scheme = { ...keepers!.scheme, parts: keepers!.scheme.parts.filter(({ name }) => name !== 'Cap') };
    await saveScheme(given.stores, keepers!.id, { revision: keepers!.schemeRevision, scheme }, minute(30));
    await save(given.stores, id, [units[0]!], 31);
    return { id, units };
  }
  const hours = async (stores: TestDatabase['stores'], id: string) => {
    const { hours: worked, units, standards } = await loadMoney(stores, id, minute(60));
    return { worked, units, standards };
  };
  const rows = async (stores: TestDatabase['stores']) =>
    (await stores.timeLog.list()).map(({ id, unit, part, models, minutes, setupMinutes }) => [
      id,
      unit,
      part,
      models,
      minutes,
      setupMinutes,
    ]);
  const marksOf = async (stores: TestDatabase['stores'], id: string) =>
    (await stores.bench.ofUnits(await stores.commissions.unitIds(id))).length;

  it('travels with the file with its minutes, and comes back there', async () => {
    const { id, units } = await halfTakenOut();
    const { text } = await exportCommission(given.stores, id);
    await importCommission(other.stores, JSON.parse(text), minute(40));
    expect(await rows(other.stores)).to.deep.equal(await rows(given.stores));
    expect(await hours(other.stores, id)).to.deep.equal(await hours(given.stores, id));
    expect(await marksOf(other.stores, id)).to.equal(await marksOf(given.stores, id));
    expect((await exportCommission(other.stores, id)).text).to.equal(text);

    const removed = (await other.stores.commissions.removedUnits(id)).map(({ name }) => name);
    expect(removed).to.deep.equal(['Cutters']);
    const before = (await given.stores.commissions.findUnit(units[1]!.id))!.scheme;
    await save(other.stores, id, units, 50);
    expect((await other.stores.commissions.units(id)).map(({ name, scheme }) => [name, scheme])[1]).to.deep.equal(['Cutters', before]);

    const [keepers] = await other.stores.commissions.units(id);
    const [piece] = await other.stores.commissions.removedPieces([keepers!.id]);
    if (piece?.piece.kind !== 'part') return expect.fail('the part did not travel');
    const scheme = { ...keepers!.scheme, parts: [...keepers!.scheme.parts, piece.piece.part] };
    await saveScheme(other.stores, keepers!.id, { revision: keepers!.schemeRevision, scheme }, minute(51));
    expect(await other.stores.commissions.removedPieces([keepers!.id])).to.deep.equal([]);
  });

  it('keeps its order where it happened in the same millisecond, and so do changes of what was agreed', async () => {
    const { id, units } = await given.shop.commission();
    const at = minute(1).toISOString();
    for (let nr = 0; nr < 12; nr++) {
      const change = { at, unitId: units[0]!.id, unit: 'Keepers', subject: 'models', before: `${nr}`, after: `${nr + 1}` } as const;
      const said = { note: '', priceMinor: null, takenBackAt: null, minutesBefore: nr, minutesAfter: nr + 1 };
      await given.stores.scope.put({ ...change, ...said, id: `change ${(nr * 7) % 12}`, commissionId: id });
    }
    const [keepers] = await given.stores.commissions.units(id);
    await saveScheme(
      given.stores,
      keepers!.id,
      { revision: keepers!.schemeRevision, scheme: { ...keepers!.scheme, parts: [] } },
      minute(2),
    );
    const { text } = await exportCommission(given.stores, id);
    await importCommission(other.stores, JSON.parse(text), minute(40));
    expect((await exportCommission(other.stores, id)).text).to.equal(text);
    expect((await other.stores.commissions.removedPieces([keepers!.id])).length).to.be.greaterThan(1);
  });

  it('is refused where it is of a unit that the file does not tell of, or twice', async () => {
    const { id } = await halfTakenOut();
    type File = { record: { removedUnits: object[]; removedPieces: object[]; revisions: object[] }; units: { scheme: object }[] };
    const file = JSON.parse((await exportCommission(given.stores, id)).text) as File;
    const refused = async (record: Partial<File['record']>) => {
      const error = await rejected(importCommission(other.stores, { ...file, record: { ...file.record, ...record } }, minute(40)));
      expect(error).to.be.instanceOf(InputError);
      return error.message;
    };
    const revision = { unitId: 'unit-of-another', at: minute(1).toISOString(), why: 'kept', note: '', scheme: file.units[0]!.scheme };
    expect(await refused({ revisions: [revision] })).to.match(/record\.revisions\[0\]\.unitId.*unit-of-another.*name a unit of the file/);
    expect(await refused({ removedUnits: [file.record.removedUnits[0]!, file.record.removedUnits[0]!] })).to.match(/id of its own/);
    expect(await refused({ removedUnits: [file.units[0]!] })).to.match(/id of its own/);
    const [piece] = file.record.removedPieces;
    expect(await refused({ removedPieces: [{ ...piece, part: undefined }] })).to.match(/either a part or a step/);
    expect(await refused({ removedPieces: [{ ...piece, unitId: 'unit-of-another' }] })).to.match(/removedPieces\[0\]\.unitId/);
  });
});
