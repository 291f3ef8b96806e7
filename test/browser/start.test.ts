import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readdirSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { migrations } from '../../src/data/migrations';
import { openDatabase } from '../../src/data/database';
import { PATIENCE_MS } from '../support/page';
import { temporaryFolder } from '../support/temporaryFolder';

/** The start script as a user runs it, with all it says. */
class Starting {
  /** Ends what a test that failed has left running. */
  static endAll(): void {
    for (const child of Starting.begun) child.kill('SIGKILL');
  }

  private static readonly begun: ChildProcess[] = [];
  said = '';
  private readonly child: ChildProcess;
  private readonly gone: Promise<number | null>;

  constructor(args: string[], env: Record<string, string>) {
    this.child = spawn(process.execPath, ['scripts/start.mjs', ...args], { env: { ...process.env, ...env } });
    Starting.begun.push(this.child);
    for (const stream of [this.child.stdout!, this.child.stderr!]) stream.on('data', (chunk) => (this.said += String(chunk)));
    this.gone = new Promise((resolve) => this.child.once('exit', resolve));
  }

  async says(pattern: RegExp): Promise<RegExpExecArray> {
    for (const end = Date.now() + PATIENCE_MS; Date.now() < end;) {
      const found = pattern.exec(this.said);
      if (found) return found;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    throw new Error(`it never said ${pattern}, but: ${this.said}`);
  }

  press(signal: NodeJS.Signals): Promise<number | null> {
    this.child.kill(signal);
    return this.gone;
  }

  ended(): Promise<number | null> {
    return this.gone;
  }
}

/** Listens on a port, or on any that is free; what is returned with it lets it go. */
async function takePort(wanted = 0): Promise<[port: number, leave: () => Promise<void>]> {
  const taker = net.createServer();
  await new Promise<void>((resolve, reject) => taker.once('error', reject).listen(wanted, '127.0.0.1', resolve));
  const { port } = taker.address() as net.AddressInfo;
  return [port, () => new Promise((resolve) => taker.close(() => resolve()))];
}

const ADDRESS = /Neat Relay is at (http:\/\/127\.0\.0\.1:(\d+))/;

describe('starting and stopping', function () {
  const { folder, remove } = temporaryFolder();
  after(() => {
    Starting.endAll();
    remove();
  });
  const at = (name: string) => path.join(folder, name);

  it('says that a port is taken, takes the next, answers, and stops cleanly on Ctrl-C', async () => {
    const [port, leave] = await takePort();
    const program = new Starting(['--demo'], { NEAT_RELAY_DATA: at('demo'), PORT: String(port) });
    const [, url, taken] = await program.says(ADDRESS);
    expect(program.said)
      .to.include(`Port ${port} is taken by another program: trying ${port + 1}.`)
      .and.to.include('Filling the demo data folder');
    expect(Number(taken)).to.be.greaterThan(port);
    expect(await (await fetch(`${url}/api/today`)).text()).to.include('Tide coast watch');
    expect(await program.press('SIGINT')).to.equal(0);
    expect(program.said).to.include('Stopped.');
    await leave();
  });

  it('keeps the demo data until it is told to begin afresh, and a second program off the folder of a running one', async () => {
    const demo = (args: string[], env = {}) => new Starting(['--demo', ...args], { NEAT_RELAY_DATA: at('demo'), ...env });
    const running = demo([]);
    await running.says(ADDRESS);
    expect(running.said).not.to.include('Filling');
    for (const args of [[], ['--reset']]) {
      const second = demo(args);
      expect(await second.ended()).to.equal(1);
      expect(second.said).to.match(/Another Neat Relay is running on .*: stop that one first/);
    }
    await running.press('SIGTERM');
    const [port, close] = await takePort();
    await close();
    const afresh = demo(['--reset'], { PORT: String(port) });
    await afresh.says(/Filling the demo data folder/);
    // Free when it was looked for, and taken when it is needed.
    const [, leave] = await takePort(port);
    const [, url, other] = await afresh.says(ADDRESS);
    expect(afresh.said)
      .to.include('The demo starts over.')
      .and.to.include(`Port ${port} is taken by another program: trying ${port + 1}.`);
    expect(Number(other)).to.be.greaterThan(port);
    expect((await fetch(url!)).status).to.equal(200);
    await afresh.press('SIGTERM');
    await leave();
  });

  it('never throws a data folder of the user away', async () => {
    const program = new Starting(['--reset'], { NEAT_RELAY_DATA: at('demo') });
    expect(await program.ended()).to.equal(1);
    expect(program.said).to.include('your own data folder is never thrown away');
    expect(existsSync(at('demo'))).to.equal(true);
  });

  it('refuses a database of a newer program in one clear line', async () => {
    const later = { name: '20990101_later', up: () => Promise.resolve(), down: () => Promise.resolve() };
    await (await openDatabase(at('newer'), [...migrations, later])).close();
    const program = new Starting([], { NEAT_RELAY_DATA: at('newer') });
    expect(await program.ended()).to.equal(1);
    expect(program.said)
      .to.match(/was written by a newer Neat Relay .*20990101_later.*NEAT_RELAY_DATA/)
      .and.not.to.match(/\n\s+at /);
  });

  it('leaves one whole file when it stops, and goes back to a copy when it is told to', async () => {
    const files = () => readdirSync(at('demo')).filter((name) => name.startsWith('neat-relay.sqlite'));
    expect(files()).to.deep.equal(['neat-relay.sqlite']);
    const [copy] = readdirSync(path.join(at('demo'), 'backups'));
    writeFileSync(path.join(at('demo'), 'neat-relay.sqlite'), 'spoiled');
    const spoiled = new Starting(['--demo'], { NEAT_RELAY_DATA: at('demo') });
    expect(await spoiled.ended()).to.equal(1);
    expect(spoiled.said).to.include(`--restore ${path.join(at('demo'), 'backups', copy!)}`);
    const restored = new Starting(['--demo', '--restore', path.join(at('demo'), 'backups', copy!)], { NEAT_RELAY_DATA: at('demo') });
    const [, url] = await restored.says(ADDRESS);
    expect(await (await fetch(`${url}/api/today`)).text()).to.include('Tide coast watch');
    expect(restored.said).to.match(/was restored\. What was there before was put aside: /);
    await restored.press('SIGINT');
    expect(files()).to.deep.equal(['neat-relay.sqlite']);
  });

  for (const [what, args, env, words] of [
    ['an option', ['--port'], {}, /Unknown option '--port': start it as npm start/],
    ['a port', [], { PORT: '80 80' }, /PORT is "80 80": give a whole number from 1 to 65535/],
    ['a host', [], { NEAT_RELAY_HOST: '203.0.113.7' }, /NEAT_RELAY_HOST is "203\.0\.113\.7", which is no address of this computer/],
  ] as const)
    it(`names ${what} that it cannot take`, async () => {
      const program = new Starting([...args], { NEAT_RELAY_DATA: at('none'), ...env });
      expect(await program.ended()).to.equal(1);
      expect(program.said).to.match(words);
      expect(existsSync(at('none'))).to.equal(false);
    });
});
