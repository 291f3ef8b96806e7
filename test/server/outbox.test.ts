import { expect } from 'chai';
import { readdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { finishOutbox, putInOutbox } from '../../src/server/mail/putInOutbox';
import { writeMail, type Letter } from '../../src/server/mail/writeMail';
import { NOW, rejected, shopForEachTest } from '../support/shop';

describe('the outbox', () => {
  const given = shopForEachTest();
  const letter: Letter = { from: '', to: 'club@example.org', subject: 'Tide coast', text: 'As we said.', at: NOW, files: [] };
  const nothingElse = () => Promise.resolve();
  const outbox = () => path.join(given.database.folder, 'outbox');

  async function sent(): Promise<string> {
    const { id } = await given.shop.commission('Coast');
    return putInOutbox(given.stores, id, letter, given.database.folder, nothingElse);
  }

  it('has a letter once all that tells of it is written down, and nothing when that fails', async () => {
    const mail = await sent();
    expect(readdirSync(outbox())).to.deep.equal([`${mail}.eml`]);
    const { id } = await given.shop.commission('Other');
    const failing = () => Promise.reject(new Error('not written'));
    expect((await rejected(putInOutbox(given.stores, id, letter, given.database.folder, failing))).message).to.equal('not written');
    expect(readdirSync(outbox())).to.deep.equal([`${mail}.eml`]);
  });

  it('attaches files under names that lead nowhere and read one way', async () => {
    const files = [{ name: '../../etc/cron \u202Egnp.exe.jpg', bytes: new Uint8Array([1]), type: 'image/jpeg' as const }];
    const eml = Buffer.from(await writeMail({ ...letter, files })).toString('utf8');
    expect(eml).to.match(/filename="?etccron gnp\.exe\.jpg"?/);
    expect(eml).not.to.match(/\.\.\/|\u202E|%E2%80%AE/i);
  });

  it('is put right after the program was killed over a letter', async () => {
    const mail = await sent();
    const file = path.join(outbox(), `${mail}.eml`);
    const whole = readFileSync(file);
    renameSync(file, path.join(outbox(), `${mail}.unfinished`));
    writeFileSync(path.join(outbox(), 'nobody-knows-it.unfinished'), whole);
    await finishOutbox(given.stores, given.database.folder);
    expect(readdirSync(outbox())).to.deep.equal([`${mail}.eml`]);
    expect(readFileSync(file).equals(whole)).to.equal(true);
  });

  it('is left alone where nothing was ever written', async () => {
    await finishOutbox(given.stores, given.database.folder);
    expect(readdirSync(given.database.folder)).not.to.include('outbox');
  });
});
