import { expect } from 'chai';
import { copyFileSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { connect } from '../../src/data/file/connection';
import { DAYS_KEPT, dropOldCopies, lastCopy, listCopies } from '../../src/data/file/copies';
import { copyDatabase } from '../../src/data/file/copyDatabase';
import { openDatabase } from '../../src/data/database';
import { asDataError, DataError, UnfitBackupError } from '../../src/data/file/dataErrors';
import { clearFolder } from '../../src/data/file/clearFolder';
import { copiesFolder, databaseFile, DATABASE_FILE } from '../../src/data/file/folder';
import { migrations } from '../../src/data/migrations';
import { prepareRestore, putInPlace, restoreFolder } from '../../src/data/file/restoreDatabase';
import { makeDailyCopy } from '../../src/server/running/dailyCopy';
import { storesOf } from '../../src/server/stores/storesOf';
import { temporaryFolder } from '../support/temporaryFolder';
import { entry, NOW, rejected } from '../support/shop';
import { paint } from '../support/units';

describe('a data folder', () => {
  const { folder, remove } = temporaryFolder();
  after(remove);
  let count = 0;
  const fresh = () => path.join(folder, String(count++));

  /** A folder with a paint in it, closed again. */
  async function filled(): Promise<string> {
    const at = fresh();
    const { knex, close } = await openDatabase(at);
    await storesOf(knex).paints.addMissing([paint('red')]);
    await close();
    return at;
  }
  async function paintsIn(at: string): Promise<string[]> {
    const { knex, close } = await openDatabase(at);
    const names = (await storesOf(knex).paints.list()).map(({ id }) => id);
    await close();
    return names;
  }

  it('is one whole file when the program has stopped', async () => {
    const at = await filled();
    expect(readdirSync(at).filter((name) => name.startsWith(DATABASE_FILE))).to.deep.equal([DATABASE_FILE]);
    const alone = fresh();
    mkdirSync(alone);
    copyFileSync(databaseFile(at), databaseFile(alone));
    expect(await paintsIn(alone)).to.deep.equal(['red']);
  });

  it('is for its owner only, files of an earlier version too', async () => {
    const at = await filled();
    const opened = await openDatabase(at);
    const modes = [at, copiesFolder(at), ...readdirSync(at).map((name) => path.join(at, name))].map((entry) => statSync(entry).mode & 0o077);
    expect(modes.every((mode) => mode === 0)).to.equal(true);
    await opened.close();
  });

  it('is for one program at a time, and free again when that one ends', async () => {
    const at = await filled();
    const first = await openDatabase(at);
    expect((await rejected(openDatabase(at))).message).to.match(/Another Neat Relay is running on .*stop that one first/);
    expect((await rejected(clearFolder(at))).message).to.match(/Another Neat Relay/);
    expect((await rejected(restoreFolder(databaseFile(at), at, NOW))).message).to.match(/Another Neat Relay/);
    await first.close();
    expect(await paintsIn(at)).to.deep.equal(['red']);
  });

  it('tells when its file was deleted or another one put in its place', async () => {
    const at = await filled();
    const other = await filled();
    const { isInPlace, close } = await openDatabase(at);
    expect(isInPlace()).to.equal(true);
    copyFileSync(databaseFile(other), `${databaseFile(at)}.new`);
    renameSync(`${databaseFile(at)}.new`, databaseFile(at));
    expect(isInPlace()).to.equal(false);
    rmSync(databaseFile(at));
    expect(isInPlace()).to.equal(false);
    await close();
  });

  it('is cleared of what a killed program left unfinished', async () => {
    const at = await filled();
    for (const name of ['neat-relay.sqlite.part', 'neat-relay.sqlite.restore.part-wal']) writeFileSync(path.join(at, name), 'half');
    writeFileSync(path.join(copiesFolder(at), 'before-upgrade-x.sqlite.part'), 'half');
    expect(await paintsIn(at)).to.deep.equal(['red']);
    expect([...readdirSync(at), ...readdirSync(copiesFolder(at))].filter((name) => name.includes('.part'))).to.deep.equal([]);
  });

  for (const [what, spoil, words] of [
    ['an empty', (file: string) => truncateSync(file, 0), /is empty; it was left as it is/],
    ['a cut', (file: string) => truncateSync(file, 20_000), /is damaged/],
    ['an overwritten', (file: string) => writeFileSync(file, 'no database at all, but some text'), /is damaged or no database/],
  ] as const) {
    it(`refuses ${what} file, leaves it alone and names the last good copy`, async () => {
      const at = await filled();
      await copyDatabase(databaseFile(at), path.join(copiesFolder(at), 'daily-2026-11-22.sqlite'));
      spoil(databaseFile(at));
      const before = readFileSync(databaseFile(at));
      const error = await rejected(openDatabase(at));
      expect(error).to.be.instanceOf(DataError);
      expect(error.message).to.match(words).and.to.include(`--restore ${path.join(copiesFolder(at), 'daily-2026-11-22.sqlite')}`);
      expect(readFileSync(databaseFile(at)).equals(before)).to.equal(true);
      await restoreFolder(lastCopy(at)!, at, NOW);
      expect(await paintsIn(at)).to.deep.equal(['red']);
    });
  }

  it('says what to do when it is no folder, and when the disk is full or cannot be written', async () => {
    const file = fresh();
    writeFileSync(file, '');
    expect((await rejected(openDatabase(path.join(file, 'data')))).message).to.match(/is not a folder: set NEAT_RELAY_DATA/);
    for (const [code, words] of [
      ['ENOSPC', /disk .* is full: free some space/],
      ['SQLITE_READONLY_DBMOVED', /cannot be written .*make the folder/],
      ['EROFS', /cannot be written/],
      ['SQLITE_IOERR_WRITE', /look at the disk/],
    ] as const)
      expect(asDataError(Object.assign(new Error('x'), { code }), file)!.message, code).to.match(words);
    expect(asDataError(new Error('something else'), file)).to.equal(null);
  });

  it('loses nothing when the disk is full, and takes more when it is not any more', async () => {
    const at = await filled();
    const { knex, close } = await openDatabase(at);
    const { commissions } = storesOf(knex);
    const [{ pageCount }] = (await knex.raw('PRAGMA page_count')) as [{ pageCount: number }];
    await knex.raw(`PRAGMA max_page_count = ${pageCount}`);
    const insert = (id: string) => commissions.insert({ ...entry, id, note: 'x'.repeat(4000) }, NOW.toISOString());
    let stored = 0;
    const error = await rejected(
      (async () => {
        for (;;) {
          await insert(`c${stored}`);
          stored++;
        }
      })(),
    );
    expect(asDataError(error, at)!.message).to.match(/is full: free some space/);
    expect(await commissions.listOpen()).to.have.length(stored);
    await knex.raw('PRAGMA max_page_count = 100000');
    await insert('more');
    expect(await commissions.listOpen()).to.have.length(stored + 1);
    await close();
  });

  it('goes on with an upgrade that was killed, its lock and all', async () => {
    const at = fresh();
    const old = await openDatabase(at, migrations.slice(0, 3));
    await old.knex('knex_migrations_lock').update({ isLocked: 1 });
    await old.close();
    expect(await paintsIn(at)).to.deep.equal([]);
    expect(listCopies(at).map(({ name }) => name.slice(0, 14))).to.deep.equal(['before-upgrade']);
  });

  it('has the copies of so many days, and what was put aside for other reasons', async () => {
    const at = await filled();
    for (let day = 1; day <= DAYS_KEPT + 3; day++) await makeDailyCopy(at, new Date(2026, 10, day, 12));
    writeFileSync(path.join(copiesFolder(at), 'before-upgrade-2020.sqlite'), '');
    dropOldCopies(at);
    const names = listCopies(at).map(({ name }) => name);
    expect(names.filter((name) => name.startsWith('daily'))).to.have.length(DAYS_KEPT);
    expect(names).to.include('before-upgrade-2020.sqlite').and.not.to.include('daily-2026-11-03.sqlite');
  });

  it('is copied whole while it is written to, as it was at one moment', async () => {
    const at = await filled();
    const { knex, close } = await openDatabase(at);
    const { paints } = storesOf(knex);
    const copy = path.join(folder, 'copy.sqlite');
    const copying = copyDatabase(databaseFile(at), copy);
    for (let index = 0; index < 200; index++) await paints.addMissing([paint(`p${index}`)]);
    await copying;
    const db = connect(copy, { readonly: true });
    const [result] = await db.raw<Record<string, string>[]>('PRAGMA integrity_check');
    expect(Object.values(result!)).to.deep.equal(['ok']);
    const rows: { id: string }[] = await db('paint').orderBy('id');
    expect(rows.length).to.be.lessThan(202);
    await db.destroy();
    await close();
  });

  it('goes back to a copy and puts aside what was there, killed in between or not', async () => {
    const at = await filled();
    const copy = path.join(folder, 'earlier.sqlite');
    await copyDatabase(databaseFile(at), copy);
    const { knex, close } = await openDatabase(at);
    await storesOf(knex).paints.addMissing([paint('blue')]);
    await close();
    // Killed before anything was put in place: all is as it was.
    await prepareRestore(copy, at);
    expect(await paintsIn(at)).to.deep.equal(['blue', 'red']);
    const aside = putInPlace(await prepareRestore(copy, at), NOW)!;
    expect(await paintsIn(at)).to.deep.equal(['red']);
    await restoreFolder(aside, at, new Date(NOW.getTime() + 1000));
    expect(await paintsIn(at)).to.deep.equal(['blue', 'red']);
  });

  it('refuses to go back to what is no backup, and changes nothing', async () => {
    const at = await filled();
    const wrong = path.join(folder, 'wrong.sqlite');
    writeFileSync(wrong, 'text');
    const stranger = path.join(folder, 'stranger.sqlite');
    const db = connect(stranger);
    await db.raw('CREATE TABLE other (id)');
    await db.destroy();
    for (const file of [wrong, stranger, path.join(folder, 'missing.sqlite')]) {
      const error = await rejected(prepareRestore(file, at));
      expect(error).to.be.instanceOf(UnfitBackupError);
      expect(error.message).to.include(file).and.to.include('Nothing was changed');
    }
    expect(await paintsIn(at)).to.deep.equal(['red']);
  });
});
