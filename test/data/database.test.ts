import { expect } from 'chai';
import { existsSync, readdirSync } from 'node:fs';
import path from 'node:path';
import { openDatabase } from '../../src/data/database';
import { NewerDatabaseError } from '../../src/data/file/dataErrors';
import { copiesFolder, DATABASE_FILE } from '../../src/data/file/folder';
import { fillDemo } from '../../src/data/demo/fillDemo';
import { migrations, type Migration } from '../../src/data/migrations';
import { temporaryFolder } from '../support/temporaryFolder';

const NOW = new Date('2026-11-23T12:00:00Z');

/** A migration of a later program. */
const later: Migration = {
  name: '20990101_add_a_shelf_mark_to_paint',
  up: (knex) => knex.schema.alterTable('paint', (table) => table.text('shelf_mark')),
  down: (knex) => knex.schema.alterTable('paint', (table) => table.dropColumn('shelf_mark')),
};

describe('the database', () => {
  const { folder, remove } = temporaryFolder();
  after(remove);
  const at = (name: string) => path.join(folder, name);

  it('is made on an empty folder, without a copy put aside', async () => {
    const { knex, backup, close } = await openDatabase(at('new'));
    expect(backup).to.equal(null);
    expect(await knex('commission')).to.deep.equal([]);
    await close();
    expect(existsSync(path.join(at('new'), DATABASE_FILE))).to.equal(true);
  });

  it('is copied before it is brought up to date, and the copy is whole', async () => {
    const first = await openDatabase(at('old'));
    await fillDemo(first, NOW);
    await first.close();
    const second = await openDatabase(at('old'), [...migrations, later], NOW);
    expect(await second.knex('paint').first()).to.have.property('shelfMark', null);
    await second.close();
    expect(second.backup).to.match(/before-upgrade-2026-11-23T12-00-00-000Z\.sqlite$/);
    expect(readdirSync(copiesFolder(at('old')))).to.include(path.basename(second.backup!));
    const again = await openDatabase(at('old'), [...migrations, later]);
    expect(again.backup).to.equal(null);
    await again.close();
  });

  it('refuses a database that a newer program has written, and leaves it alone', async () => {
    const newer = await openDatabase(at('newer'), [...migrations, later]);
    await newer.close();
    const error = await openDatabase(at('newer')).then(
      () => null,
      (problem: unknown) => problem,
    );
    expect(error).to.be.instanceOf(NewerDatabaseError);
    expect((error as Error).message).to.match(/newer Neat Relay .*20990101.*NEAT_RELAY_DATA/);
  });

  for (const state of ['an empty', 'a filled'] as const) {
    it(`goes down and up again over every migration on ${state} database`, async () => {
      const opened = await openDatabase(at(`down ${state}`));
      if (state === 'a filled') await fillDemo(opened, NOW);
      for (const migration of [...migrations].reverse()) await migration.down(opened.knex);
      expect(await opened.knex.schema.hasTable('commission')).to.equal(false);
      for (const migration of migrations) await migration.up(opened.knex);
      expect(await opened.knex('bench_event')).to.deep.equal([]);
      await opened.close();
    });
  }
});
