import { expect } from 'chai';
import { readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { ownAddresses, ownNames } from '../../src/server/lan/addresses';
import { DeviceBook } from '../../src/server/lan/DeviceBook';
import { mayDo } from '../../src/server/lan/mayDo';
import { pairPage } from '../../src/server/lan/pairPage';
import { PairingDesk } from '../../src/server/lan/PairingDesk';
import { temporaryFolder } from '../support/temporaryFolder';

const NOW = new Date('2026-11-30T19:00:00Z');
const MINUTE_MS = 60_000;

describe('devices that were let in', () => {
  let folder: string;
  let remove: () => void;
  const file = () => path.join(folder, 'devices.json');
  beforeEach(() => ({ folder, remove } = temporaryFolder()));
  afterEach(() => remove());

  it('are known by their tokens, of which only hashes are kept, for the owner of the folder alone', () => {
    const book = new DeviceBook(folder);
    const { id, token } = book.add('Tablet', 'bench', NOW);
    expect(Buffer.from(token, 'base64url')).to.have.lengthOf(32);
    expect(book.find(token, NOW)).to.include({ id, name: 'Tablet', may: 'bench' });
    expect(book.find(`${token}x`, NOW)).to.equal(null);
    expect(book.find('', NOW)).to.equal(null);
    expect(readFileSync(file(), 'utf8')).not.to.include(token);
    expect(statSync(file()).mode & 0o777).to.equal(0o600);
    expect(book.list()[0]).not.to.have.property('hash');
  });

  it('are known after a restart until they are turned away, and told apart', () => {
    const { token: first, id } = new DeviceBook(folder).add('Tablet', 'bench', NOW);
    const { token: second } = new DeviceBook(folder).add('Telephone', 'all', NOW);
    const book = new DeviceBook(folder);
    expect([first, second].map((token) => book.find(token, NOW)!.name)).to.deep.equal(['Tablet', 'Telephone']);
    expect([book.revoke(id), book.revoke(id)]).to.deep.equal([true, false]);
    expect([first, second].map((token) => new DeviceBook(folder).find(token, NOW)?.name)).to.deep.equal([undefined, 'Telephone']);
  });

  it('are seen to the minute, without writing more often', () => {
    const book = new DeviceBook(folder);
    const { token } = book.add('Tablet', 'bench', NOW);
    const at = (ms: number) => {
      book.find(token, new Date(NOW.getTime() + ms));
      return Date.parse(book.list()[0]!.seenAt) - NOW.getTime();
    };
    expect([at(1000), at(MINUTE_MS - 1), at(MINUTE_MS + 5), at(MINUTE_MS + 10)]).to.deep.equal([0, 0, MINUTE_MS + 5, MINUTE_MS + 5]);
  });

  it('keep whether the program is open, which it is not at first', () => {
    expect(new DeviceBook(folder).isOpen).to.equal(false);
    new DeviceBook(folder).setOpen(true);
    expect(new DeviceBook(folder).isOpen).to.equal(true);
  });

  for (const damaged of [
    '{',
    '{"isOpen":true}',
    '{"isOpen":true,"devices":[{"id":"a","name":"b","may":"everything","pairedAt":"","seenAt":"","hash":""}]}',
  ])
    it(`are not guessed at where their file is damaged: ${damaged.slice(0, 20)}`, () => {
      writeFileSync(file(), damaged);
      expect(() => new DeviceBook(folder)).to.throw(/devices\.json is damaged.*delete it, and pair your devices again/);
    });
});

describe('a pairing code', () => {
  const now = NOW.getTime();
  it('lets one device in, once, however it is typed', async () => {
    const desk = new PairingDesk();
    const { code } = desk.begin('bench', now);
    expect(code).to.match(/^[A-HJ-NP-Z2-9]{8}$/);
    expect(await desk.take(` ${code.slice(0, 4).toLowerCase()}-${code.slice(4)} `, 'a', now)).to.deep.equal({ kind: 'in', may: 'bench' });
    expect(await desk.take(code, 'b', now)).to.deep.equal({ kind: 'wrong' });
  });

  it('is valid for five minutes, and void when another is shown', async () => {
    const desk = new PairingDesk();
    const { code, until } = desk.begin('all', now);
    expect(until - now).to.equal(5 * MINUTE_MS);
    expect(await desk.take(code, 'a', until)).to.deep.equal({ kind: 'wrong' });
    const second = desk.begin('all', now);
    expect(await desk.take(code, 'a', now)).to.deep.equal({ kind: 'wrong' });
    expect(await desk.take(second.code, 'a', until - 1)).to.deep.equal({ kind: 'in', may: 'all' });
  });

  it('cannot be guessed: ten tries a minute from an address, twenty in all', async () => {
    const desk = new PairingDesk();
    const { code } = desk.begin('all', now);
    for (let attempt = 0; attempt < 10; attempt++) expect(await desk.take('AAAAAAAA', 'a', now)).to.deep.equal({ kind: 'wrong' });
    expect(await desk.take(code, 'a', now), 'also with the right one').to.deep.equal({ kind: 'too often' });
    for (let attempt = 0; attempt < 10; attempt++) await desk.take('', 'b', now);
    expect(await desk.take(code, 'c', now), 'void by now').to.deep.equal({ kind: 'wrong' });
  });
});

describe('what a device may do', () => {
  const of = (may: 'bench' | 'all', ...asked: string[]) => asked.filter((each) => mayDo(may, ...(each.split(' ') as [string, string])));
  const bench = [
    'GET /bench',
    'GET /pedal',
    'GET /touch-up',
    'GET /_astro/a.js',
    'GET /layers.css',
    'GET /api/bench',
    'GET /api/bench/stream',
    'POST /api/bench/events',
    'GET /api/why/pass',
    'GET /api/pictures/01A',
    'GET /api/commissions/01A/finish',
  ];
  const more = [
    'GET /',
    'GET /c/01A/money',
    'PUT /api/house-rules',
    'GET /api/house-rules',
    'PUT /api/commissions/01A/finish',
    'GET /api/commissions/01A/money',
    'POST /api/pictures/01A',
    'POST /api/backups/restore',
    'GET /benches',
  ];
  const never = ['GET /api/devices', 'PUT /api/devices', 'POST /api/devices/pairing', 'PUT /api/devices/01A'];

  it('is the bench and what it reads, or everything; letting others in is never', () => {
    expect(of('bench', ...bench, ...more, ...never)).to.deep.equal(bench);
    expect(of('all', ...bench, ...more, ...never)).to.deep.equal([...bench, ...more]);
  });
});

describe('the page of a device that was not let in', () => {
  it('shows what was typed as text, whatever it is', () => {
    expect(pairPage('"><script>', 'Not <b>valid</b>')).not.to.match(/<script>|<b>/);
  });
});

describe('addresses on the network', () => {
  it('are those that are named, else all of this computer', () => {
    expect(ownAddresses('127.0.0.2, 127.0.0.3')).to.deep.equal(['127.0.0.2', '127.0.0.3']);
    expect(ownAddresses('')).to.satisfy((all: string[]) => all.every((each) => /^\d+(\.\d+){3}$/.test(each) && !each.startsWith('127.')));
    expect(ownNames('laptop')).to.deep.equal(['laptop', 'laptop.local']);
  });
});
