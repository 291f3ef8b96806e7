import { rmSync } from 'node:fs';
import net from 'node:net';
import { buildApplication } from './build.mjs';
import { installDependencies, run } from './install.mjs';

const DEMO_FOLDER = './demo-data';
const DEFAULT_FOLDER = './data';
const DEFAULT_PORT = 4321;
const PORTS_TRIED = 20;
const say = (text) => console.log(text);

/** Starts the program: `--demo` with the demo's own data folder, `--reset` to begin the demo afresh. */
async function start() {
  const isDemo = process.argv.includes('--demo');
  process.env.NEAT_RELAY_DATA ??= isDemo ? DEMO_FOLDER : DEFAULT_FOLDER;
  // Not HOST, which some shells set to the name of the machine.
  process.env.HOST = process.env.NEAT_RELAY_HOST ?? '127.0.0.1';
  installDependencies(say);
  buildApplication(say);
  process.env.NODE_ENV = 'production';
  if (process.argv.includes('--reset')) {
    if (!isDemo) throw new Error('--reset is only for the demo: your own data folder is never thrown away.');
    rmSync(process.env.NEAT_RELAY_DATA, { recursive: true, force: true });
    say('The demo begins afresh.');
  }
  run(process.execPath, ['--import', 'tsx', 'src/cli/prepare.ts', ...(isDemo ? ['--demo'] : [])], 'The program was not started.');
  process.env.PORT = String(await freePort(process.env.HOST, Number(process.env.PORT ?? DEFAULT_PORT)));
  process.env.ASTRO_NODE_AUTOSTART = 'disabled';
  const { startServer } = await import('../dist/server/entry.mjs');
  const { server } = startServer();
  const address = `http://${process.env.HOST}:${process.env.PORT}`;
  await firstLook(address);
  say(`Neat Relay is at ${address} (data in ${process.env.NEAT_RELAY_DATA}). Ctrl-C stops it.`);
  for (const signal of ['SIGINT', 'SIGTERM']) process.once(signal, () => void stop(server));
}

/** Reads what every view needs before the address is given away, so that the first view does not wait for it. */
async function firstLook(address) {
  for (let attempt = 0; attempt < 50; attempt++) {
    const answered = await fetch(address).then(
      (response) => response.text(),
      () => null,
    );
    if (answered !== null) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Open pages keep their connections; they are closed so that stopping takes no longer than the write in hand. */
async function stop(server) {
  server.server.closeAllConnections();
  await server.stop();
  say('Stopped.');
  process.exit(0);
}

async function freePort(host, first) {
  for (let port = first; port < first + PORTS_TRIED; port++) {
    if (await isFree(host, port)) return port;
    say(`Port ${port} is taken by another program: trying ${port + 1}.`);
  }
  throw new Error(`No free port from ${first} to ${first + PORTS_TRIED - 1}: set PORT to another one.`);
}

const isFree = (host, port) =>
  new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

start().catch((error) => {
  console.error(error.message);
  process.exitCode = 1;
});
