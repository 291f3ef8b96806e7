import { expect } from 'chai';
import { search as searchIn } from '../../src/server/search/search';
import { loadLog } from '../../src/server/ledger/loadLog';
import { demoDatabase, type TestDatabase } from '../support/database';
import { NOW } from '../support/shop';

describe('the search', () => {
  let database: TestDatabase;
  before(async () => {
    ({ database } = await demoDatabase(NOW));
  });
  after(() => database.close());
  const search = async (words: string) => (await searchIn(database.stores, { words }, NOW)).found;

  it('finds a unit by some of its name, before the steps that mention it, with the way to it', async () => {
    const [unit] = await database.stores.commissions.unitsOf((await database.stores.commissions.listOpen()).map(({ id }) => id));
    const found = await search(unit!.name.slice(0, 5).toLowerCase());
    const at = found.findIndex(({ kind, title }) => kind === 'unit' && title === unit!.name);
    expect(at).to.be.at.least(0);
    expect(found.findIndex(({ kind }) => kind === 'step')).to.satisfy((step: number) => step < 0 || step > at);
    expect(found[at]!.href).to.equal(`/c/${unit!.commissionId}/scheme?unit=${unit!.id}`);
    expect(found[at]!.detail).to.match(/^\d+ models, /);
  });

  it('finds paints with their colour, and steps by technique and paint, whatever the order of the words', async () => {
    const [paint] = await database.stores.paints.list();
    const pot = (await search(paint!.name)).find(({ kind }) => kind === 'paint');
    expect(pot).to.include({ title: paint!.name, hex: paint!.hex, href: `/shelf?paint=${paint!.id}` });
    const wash = await search('everything wash');
    expect(wash.some(({ kind, title, hex }) => kind === 'step' && /^Wash .*over everything$/.test(title) && hex !== null)).to.equal(true);
  });

  it('finds commissions by view and client, views, and settings by other words than theirs', async () => {
    const [open] = await database.stores.commissions.listOpen();
    expect((await search(`${open!.client} money`)).map(({ href }) => href)).to.include(`/c/${open!.id}/money`);
    expect((await search('ledger'))[0]).to.include({ kind: 'view', href: '/ledger' });
    expect((await search('rinse'))[0]).to.include({ kind: 'setting', href: '/house-rules#setups' });
  });

  it('counts the rows of the log that hold the words, as the Ledger counts them', async () => {
    const { first } = await loadLog(database.stores, NOW);
    const unit = first.rows[0]!.unit;
    const log = (await search(unit)).at(-1)!;
    expect(log.kind).to.equal('log');
    const rows = (await database.stores.timeLog.list()).filter((row) => row.unit === unit).length;
    expect(Number(/^\d+/.exec(log.title)![0])).to.be.at.least(rows);
    expect(rows).to.be.above(0);
  });

  it('forgives one wrong letter in a long word, and finds nothing in nonsense', async () => {
    expect((await search('sesions'))[0]).to.include({ href: '/house-rules#sessions' });
    expect(await search('xqzzv')).to.deep.equal([]);
  });
});
