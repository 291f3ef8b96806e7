import { EMPTY_SCHEME } from '../../src/core/scheme/model/definitions';
import { expect } from 'chai';
import type { BenchEvent } from '../../src/core/bench/definitions';
import type { CommissionFile } from '../../src/core/formats/commission/commission';
import { InputError } from '../../src/core/kernel/InputError';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { deleteCommission } from '../../src/server/intake/lifecycle';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { setDemo } from '../../src/server/starting/setDemo';
import { ConflictError } from '../../src/server/stores/errors';
import { importTimeLog } from '../../src/server/ledger/importTimeLog';
import type { TestDatabase } from '../support/database';
import { entry, minute, NOW, rejected, shopForEachTest } from '../support/shop';

/** Everything that is stored, table by table. */
async function everything({ knex }: TestDatabase): Promise<Record<string, unknown[]>> {
  const tables: { name: string }[] = await knex.raw("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%'");
  return Object.fromEntries(await Promise.all(tables.map(async ({ name }) => [name, await knex(name)] as const)));
}

describe('all or nothing', () => {
  const given = shopForEachTest();

  /** A commission with some taps, as a file. */
  async function aFile(): Promise<{ id: string; file: CommissionFile }> {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), [1, 2, 3], 2));
    return { id, file: JSON.parse((await exportCommission(given.database.stores, id)).text) as CommissionFile };
  }
  /** The same with other ids throughout. */
  const renamed = (file: CommissionFile, to: string): CommissionFile => {
    const ids = new Map<string, string>();
    const text = JSON.stringify(file).replaceAll(/"([0-9A-HJKMNP-TV-Z]{26})"/g, (_all, id: string) => {
      if (!ids.has(id)) ids.set(id, `${to}${ids.size}`);
      return `"${ids.get(id)}"`;
    });
    return JSON.parse(text) as CommissionFile;
  };

  it('takes a commission file whole', async () => {
    const { file } = await aFile();
    await importCommission(given.database.stores, renamed(file, 'x'), NOW);
    expect((await given.database.stores.commissions.listOpen()).map(({ name }) => name)).to.deep.equal(['Coast', 'Coast']);
    expect(await given.shop.rows()).to.have.length(2);
  });

  it('refuses a file of which anything is known elsewhere, and stores nothing of it', async () => {
    const { file } = await aFile();
    const before = await everything(given.database);
    const cases: [string, (value: CommissionFile) => void, RegExp][] = [
      ['a unit', (value) => rename(value, file.units[0]!.id, value.units[0]!.id), /unit ids .* belong to another commission/],
      ['a part', (value) => (value.units[0]!.scheme.parts[0]!.id = file.units[0]!.scheme.parts[0]!.id), /belong to parts or steps/],
      ['an event', (value) => (value.events[2]!.id = file.events[1]!.id), /which another event has: give each an id of its own/],
    ];
    for (const [what, change, words] of cases) {
      const other = renamed(file, 'y');
      // It says something else than the event that is here.
      other.events[2]!.note = 'other';
      other.judgements = [];
      change(other);
      const error = await rejected(importCommission(given.database.stores, other, NOW));
      expect(error, what).to.be.instanceOf(ConflictError);
      expect(error.message, what).to.match(words);
      expect(await everything(given.database), what).to.deep.equal(before);
    }
  });

  const rename = (file: CommissionFile, to: string, from: string): void =>
    void Object.assign(file, JSON.parse(JSON.stringify(file).replaceAll(`"${from}"`, `"${to}"`)));

  it('takes nothing when the last of many writes fails', async () => {
    const { file } = await aFile();
    const before = await everything(given.database);
    await given.database.knex.raw(
      "CREATE TRIGGER full BEFORE INSERT ON bench_event WHEN NEW.id LIKE 'z%' BEGIN SELECT RAISE(ABORT, 'no more room'); END",
    );
    expect((await rejected(importCommission(given.database.stores, renamed(file, 'z'), NOW))).message).to.match(/no more room/);
    await given.database.knex.raw('DROP TRIGGER full');
    expect(await everything(given.database)).to.deep.equal(before);
  });

  it('takes one of two imports of the same file at once', async () => {
    const { file } = await aFile();
    const both = await Promise.allSettled([1, 2].map(() => importCommission(given.database.stores, renamed(file, 'w'), NOW)));
    expect(both.map(({ status }) => status).sort()).to.deep.equal(['fulfilled', 'rejected']);
    expect(await given.shop.rows()).to.have.length(2);
  });

  it('takes a deleted commission back from its file with every event', async () => {
    const { id, file } = await aFile();
    await deleteCommission(given.database.stores, id, { deleted: true }, NOW);
    await importCommission(given.database.stores, file, NOW);
    expect(JSON.parse((await exportCommission(given.database.stores, id)).text)).to.deep.equal(file);
  });

  it('fills the demo whole or not at all, and empties it again', async function () {
    const before = await everything(given.database);
    await given.database.knex.raw("CREATE TRIGGER full BEFORE UPDATE OF demo ON workshop BEGIN SELECT RAISE(ABORT, 'killed'); END");
    expect((await rejected(setDemo(given.database.stores, { here: true }, NOW))).message).to.match(/killed/);
    await given.database.knex.raw('DROP TRIGGER full');
    expect(await everything(given.database)).to.deep.equal(before);
    await setDemo(given.database.stores, { here: true }, NOW);
    expect(await given.database.stores.commissions.listOpen()).to.have.length(4);
    await setDemo(given.database.stores, { here: false }, NOW);
    const after = await everything(given.database);
    expect(Object.keys(after).filter((table) => after[table]!.length > 0)).to.deep.equal([
      'knex_migrations',
      'knex_migrations_lock',
      'workshop',
    ]);
  });

  it('keeps every row of a log or none', async () => {
    const rows = Array.from(
      { length: 120 },
      (_, index) => `${minute(index).toISOString()},Fair,Bakers,Apron,basecoat,foot,0.2,10,${10 + index},2,`,
    );
    const csv = ['started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note', ...rows].join('\n');
    await given.database.knex.raw(
      "CREATE TRIGGER full BEFORE INSERT ON time_log WHEN NEW.minutes = 129 BEGIN SELECT RAISE(ABORT, 'no'); END",
    );
    await rejected(importTimeLog(given.database.stores, { csv, confirm: true }, NOW));
    expect(await given.shop.rows()).to.deep.equal([]);
    await given.database.knex.raw('DROP TRIGGER full');
    await importTimeLog(given.database.stores, { csv, confirm: true }, NOW);
    expect(await given.shop.rows()).to.have.length(120);
  });

  it('refuses a tap that bears the id of another, and takes the same tap twice', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const taps = given.shop.painting(await given.shop.pass('Keepers', 'Coat'), [1, 2], 2);
    await given.shop.record(taps);
    await given.shop.record(taps);
    const stolen: BenchEvent = { ...taps[2]!, models: [7] };
    const error = await rejected(given.shop.record([given.shop.event(9, 'noted', { note: 'kept out too' }), stolen]));
    expect(error.message).to.match(/^events\[1\]\.id is ".*", which another event has/);
    expect((await given.database.stores.bench.after(0, 100)).map(({ kind }) => kind)).to.deep.equal(['started', 'done', 'done']);
  });

  it('refuses one unit id twice at Intake, and parts or steps that are of another unit', async () => {
    const { id, units } = await given.shop.commission();
    const twice = [units[0]!, { ...units[1]!, id: units[0]!.id }];
    expect((await rejected(saveIntake(given.database.stores, id, { revision: 2, commission: entry, units: twice }, NOW))).message).to.match(
      /^units\[1\]\.id is .*: give every unit an id of its own/,
    );
    const [keepers, cutters] = await given.database.stores.commissions.units(id);
    const error = await rejected(saveScheme(given.database.stores, cutters!.id, { revision: 2, scheme: keepers!.scheme }, NOW));
    expect(error).to.be.instanceOf(InputError);
    expect(error.message).to.match(/these belong to another unit/);
    const [part] = cutters!.scheme.parts;
    const doubled = { ...EMPTY_SCHEME, parts: [part!, part!] };
    expect((await rejected(saveScheme(given.database.stores, cutters!.id, { revision: 2, scheme: doubled }, NOW))).message).to.match(
      /^scheme\.parts\[1\]\.id is/,
    );
  });
});
