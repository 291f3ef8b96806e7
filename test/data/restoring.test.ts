import { expect } from 'chai';
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { connect } from '../../src/data/file/connection';
import { listCopies } from '../../src/data/file/copies';
import { copyDatabase } from '../../src/data/file/copyDatabase';
import { openDatabase } from '../../src/data/database';
import { DataError, UnfitBackupError } from '../../src/data/file/dataErrors';
import { copiesFolder, databaseFile, LOCK_FILE } from '../../src/data/file/folder';
import { restoreFolder } from '../../src/data/file/restoreDatabase';
import { storesOf } from '../../src/server/stores/storesOf';
import { temporaryFolder } from '../support/temporaryFolder';
import { NOW, rejected } from '../support/shop';
import { paint } from '../support/units';

describe('going back to a copy', () => {
  const { folder, remove } = temporaryFolder();
  after(remove);
  let count = 0;
  const fresh = () => path.join(folder, String(count++));
  const paintsIn = async (at: string) => {
    const { knex, close } = await openDatabase(at);
    const names = (await storesOf(knex).paints.list()).map(({ id }) => id);
    await close();
    return names.sort();
  };

  /** A folder as a program that was killed leaves it: what was written last is in the file beside the database alone. */
  async function killed(...paints: string[]): Promise<string> {
    const [at, left] = [fresh(), fresh()];
    const { knex, close } = await openDatabase(at);
    await knex.raw('PRAGMA wal_autocheckpoint = 0');
    await storesOf(knex).paints.addMissing(paints.map((id) => paint(id)));
    cpSync(at, left, { recursive: true, filter: (file) => !file.endsWith('-shm') });
    await close();
    return left;
  }

  async function saved(...paints: string[]): Promise<string> {
    const [at, copy] = [fresh(), fresh()];
    const { knex, close } = await openDatabase(at);
    await storesOf(knex).paints.addMissing(paints.map((id) => paint(id)));
    await copyDatabase(databaseFile(at), copy);
    await close();
    return copy;
  }

  it('has what a killed program had written last, also from what was put aside then', async () => {
    const at = await killed('red', 'blue');
    const aside = (await restoreFolder(await saved('green'), at, NOW))!;
    expect(existsSync(`${aside}-wal`)).to.equal(true);
    expect(await paintsIn(at)).to.deep.equal(['green']);
    await restoreFolder(aside, at, NOW);
    expect(await paintsIn(at)).to.deep.equal(['blue', 'red']);
  });

  it('puts aside two files where two restores come within a moment', async () => {
    const at = await killed('red');
    await restoreFolder(await saved('green'), at, NOW);
    await restoreFolder(await saved('blue'), at, NOW);
    const asides = listCopies(at).map(({ name }) => path.join(copiesFolder(at), name));
    expect(asides).to.have.lengthOf(2);
    const held = [];
    for (const aside of asides) {
      const other = fresh();
      await restoreFolder(aside, other, NOW);
      held.push(await paintsIn(other));
    }
    expect(held).to.have.deep.members([['red'], ['green']]);
  });

  const spoiled: Record<string, string> = {
    'a table': 'DROP TABLE quote',
    'a column': 'ALTER TABLE paint DROP COLUMN kind',
    'an index': 'DROP INDEX %index%',
    'nothing, but a trigger of another': "CREATE TRIGGER other AFTER INSERT ON paint BEGIN DELETE FROM paint; END",
    'nothing, but a view of another': 'CREATE VIEW other AS SELECT * FROM paint',
  };
  for (const [what, statement] of Object.entries(spoiled))
    it(`refuses a file that lacks ${what}, before anything is put aside`, async () => {
      const file = await saved('green');
      const db = connect(file);
      const [index] = (await db.raw("SELECT name FROM sqlite_master WHERE type = 'index' AND sql IS NOT NULL")) as { name: string }[];
      await db.raw(statement.replace('%index%', index?.name ?? ''));
      await db.destroy();
      const at = await killed('red');
      expect(await rejected(restoreFolder(file, at, NOW))).to.be.instanceOf(UnfitBackupError);
      expect(readdirSync(at).filter((name) => name.includes('.part'))).to.deep.equal([]);
      expect(listCopies(at)).to.deep.equal([]);
      expect(await paintsIn(at)).to.deep.equal(['red']);
    });

  it('leaves no folder behind that was not there when the file cannot be used', async () => {
    const [file, at] = [fresh(), fresh()];
    writeFileSync(file, 'no database at all');
    expect((await rejected(restoreFolder(file, at, NOW))).message).to.match(/is damaged, or no backup of Neat Relay: choose another/);
    expect(existsSync(at)).to.equal(false);
    mkdirSync(file + 'd');
    expect((await rejected(restoreFolder(file + 'd', at, NOW))).message).to.match(/There is no file/);
  });

  it('finds a bit that fell over, wherever it changes what is read, also in an index', async () => {
    const at = fresh();
    const { knex, close } = await openDatabase(at);
    await storesOf(knex).paints.addMissing(Array.from({ length: 200 }, (_, index) => paint(`paint-${index}`)));
    const [{ rootpage }] = (await knex.raw("SELECT rootpage FROM sqlite_master WHERE name = 'sqlite_autoindex_paint_1'")) as [{ rootpage: number }];
    const [{ pageSize }] = (await knex.raw('PRAGMA page_size')) as [{ pageSize: number }];
    await close();
    const file = databaseFile(at);
    const bytes = readFileSync(file);
    const start = (rootpage - 1) * pageSize;
    const place = bytes.subarray(start, start + pageSize).lastIndexOf('paint-');
    expect(place, 'an entry of the index').to.be.greaterThan(0);
    bytes[start + place + 6]! ^= 1;
    writeFileSync(file, bytes);
    expect((await rejected(openDatabase(at))).message).to.match(/is damaged; it was left as it is/);
  });

  it('names a lock that is damaged, and what to do about it', async () => {
    const at = await killed('red');
    writeFileSync(path.join(at, LOCK_FILE), 'x'.repeat(5000));
    const error = await rejected(openDatabase(at));
    expect(error).to.be.instanceOf(DataError);
    expect(error.message).to.match(/neat-relay\.lock, which keeps the folder .* is damaged: delete it/);
  });
});
