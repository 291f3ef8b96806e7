import { expect } from 'chai';
import { up } from '../../src/data/migrations/20261130_the_ground_says_so';
import { testDatabase } from '../support/database';
import { entry, TestShop, unitEntry } from '../support/shop';
import { part, step } from '../support/units';

describe('the ground of schemes kept before it said so', () => {
  it('is what its name and its texture, rim or scatter made it, and nothing else', async () => {
    const database = await testDatabase();
    const shop = new TestShop(database);
    const { id } = await shop.commission(entry.name, [unitEntry('Keepers', { promised: 3 })]);
    const [unit] = await database.stores.commissions.units(id);
    const parts = [
      { ...part('Base', step('texture'), step('rim')), isBase: false },
      { ...part('Running gear', step('basecoat'), step('texture')), isBase: false },
      { ...part('Ground floor', step('basecoat')), isBase: false },
      { ...part('Pier', step('basecoat')), isBase: true },
    ];
    await database
      .knex('unit')
      .where({ id: unit!.id })
      .update({ scheme: JSON.stringify({ ...unit!.scheme, parts }) });
    await up(database.knex);
    const [after] = await database.stores.commissions.units(id);
    expect(after!.scheme.parts.map(({ name, isBase }) => [name, isBase])).to.deep.equal([
      ['Base', true],
      ['Running gear', false],
      ['Ground floor', false],
      ['Pier', true],
    ]);
    await database.close();
  });
});
