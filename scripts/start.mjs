import { existsSync } from 'node:fs';
import net from 'node:net';
import { parseArgs } from 'node:util';
import { buildApplication } from './build.mjs';
import { installDependencies } from './install.mjs';

const DEMO_FOLDER = './demo-data';
const DEFAULT_FOLDER = './data';
const DEFAULT_HOST = '127.0.0.1';
const DEFAULT_PORT = 4321;
const HIGHEST_PORT = 65_535;
const PORTS_TRIED = 20;
const USAGE = 'npm start [-- --lan --cert FILE --key FILE --restore FILE], or npm run demo [-- --reset --lan]';
const say = (text) => console.log(text);

/**
 * Starts the program: `--demo` with the demo's own data folder, `--reset` to start the demo over, `--restore` to go back to a copy, `--lan`
 * to let in devices of this network that are paired, with `--cert` and `--key` over TLS.
 */
async function start() {
  const { demo, reset, restore, lan, cert, key } = readArguments();
  const first = readPort();
  process.env.NEAT_RELAY_DATA ??= demo ? DEMO_FOLDER : DEFAULT_FOLDER;
  // Not HOST, which some shells set to the name of the machine.
  process.env.HOST = process.env.NEAT_RELAY_HOST ?? DEFAULT_HOST;
  if (lan) process.env.NEAT_RELAY_LAN = 'on';
  if (cert !== undefined) Object.assign(process.env, { NEAT_RELAY_CERT: cert, NEAT_RELAY_KEY: key });
  const free = await freePort(process.env.HOST, first);
  installDependencies(say);
  await buildApplication(say);
  process.env.NODE_ENV = 'production';
  process.umask(0o077);
  const { prepareData, serve } = await import('../dist/program/starting.mjs');
  await prepareData({ folder: process.env.NEAT_RELAY_DATA, demo, reset, restore: restore ?? null }, say);
  const { port, stop, readPages, onNetwork } = await serveFrom(free, (port) => serve(process.env.HOST, port));
  const address = `http://${process.env.HOST.includes(':') ? `[${process.env.HOST}]` : process.env.HOST}:${port}`;
  await firstLook(address);
  void readPages();
  say(`Neat Relay is at ${address} (data in ${process.env.NEAT_RELAY_DATA}). Ctrl-C stops it.`);
  if (lan) say(onNetwork());
  for (const signal of ['SIGINT', 'SIGTERM'])
    process.once(signal, async () => {
      await stop();
      say('Stopped.');
      process.exit(0);
    });
}

function readArguments() {
  try {
    const { values } = parseArgs({
      options: {
        demo: { type: 'boolean', default: false },
        reset: { type: 'boolean', default: false },
        restore: { type: 'string' },
        lan: { type: 'boolean', default: false },
        cert: { type: 'string' },
        key: { type: 'string' },
      },
    });
    if (values.reset && !values.demo) throw new Error('--reset is only for the demo: your own data folder is never thrown away.');
    if (values.reset && values.restore !== undefined) throw new Error('--reset and --restore were given together: choose one of them.');
    if ((values.cert === undefined) !== (values.key === undefined))
      throw new Error('--cert and --key belong together: give the file of the certificate and the file of its key.');
    for (const file of [values.cert, values.key])
      if (file !== undefined && !existsSync(file)) throw new Error(`There is no file ${file}: give the path of your certificate and key.`);
    return values;
  } catch (error) {
    if (error.code?.startsWith('ERR_PARSE_ARGS'))
      throw new Error(`${error.message.split(/\. |\n/)[0]}: start it as ${USAGE}.`, { cause: error });
    throw error;
  }
}

function readPort() {
  const given = process.env.PORT ?? String(DEFAULT_PORT);
  const port = Number(given);
  if (/^\d+$/.test(given) && port >= 1 && port <= HIGHEST_PORT) return port;
  throw new Error(`PORT is "${given}": give a whole number from 1 to ${HIGHEST_PORT}, or leave it out.`);
}

/** Reads what every view needs before the address is given away, so that the first view does not wait for it. */
async function firstLook(address) {
  await fetch(address).then(
    (response) => response.text(),
    () => null,
  );
}

/** Serves on the port that was free, or on the next that is: another program may take it while the data is prepared. */
async function serveFrom(free, serveOn) {
  for (let port = free; ;) {
    try {
      return { port, ...(await serveOn(port)) };
    } catch (error) {
      if (error.code !== 'EADDRINUSE') throw error;
      port = await freePort(process.env.HOST, port);
    }
  }
}

async function freePort(host, first) {
  const last = Math.min(first + PORTS_TRIED - 1, HIGHEST_PORT);
  for (let port = first; port <= last; port++) {
    const problem = await tryPort(host, port);
    if (problem === null) return port;
    if (problem === 'EACCES') throw new Error(`Port ${port} is not for every user: set PORT to one from 1024 on.`);
    if (problem !== 'EADDRINUSE')
      throw new Error(
        `NEAT_RELAY_HOST is "${host}", which is no address of this computer (${problem}): leave it out, or give one that it has.`,
      );
    say(`Port ${port} is taken by another program: trying ${port + 1}.`);
  }
  throw new Error(`No free port from ${first} to ${last}: set PORT to another one.`);
}

/** Null when the port is free, else why not. */
const tryPort = (host, port) =>
  new Promise((resolve) => {
    const probe = net.createServer();
    probe.once('error', (error) => resolve(error.code ?? 'unknown'));
    probe.listen(port, host, () => probe.close(() => resolve(null)));
  });

start().catch((error) => {
  console.error(error.message);
  process.exit(1);
});
