import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { emptyFolder, settledDemoFolder } from './database';

/** The built program, running on a port and a data folder of its own. */
export interface App {
  url: string;
  folder: string;
  /** Ends it as a power cut would. */
  kill: () => Promise<void>;
  /** Starts it again on the same port and data; waits until Today answers, or only until it listens. */
  restart: (waitFor?: 'page' | 'port') => Promise<void>;
  /** Lets so much time pass at once, for a program that was started with `shiftsClock`. */
  passMinutes: (minutes: number) => void;
  /** What it holds of memory at this moment, as the system counts it. */
  memoryMb: () => number;
  stop: () => Promise<void>;
}

/** The demo of all apps of a run is the same: the runner says when it has begun. */
const STARTED = new Date(process.env['TEST_STARTED'] ?? Date.now());

export async function startApp({ demo = false, shiftsClock = false, settings = {} as Record<string, string> } = {}): Promise<App> {
  const { folder, remove } = await (demo ? settledDemoFolder(STARTED) : emptyFolder());
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const env = { ...process.env, NEAT_RELAY_DATA: folder, HOST: '127.0.0.1', PORT: String(port), NODE_ENV: 'production', ...settings };
  const clock = path.join(folder, 'test-clock');
  // Put in place in one piece: a program that reads a file half written would see its clock fall back to the true time.
  const setClock = (ms: number) => {
    writeFileSync(`${clock}.next`, String(ms));
    renameSync(`${clock}.next`, clock);
  };
  setClock(0);
  const preloaded = shiftsClock ? ['--import', './test/support/shiftedClock.mjs'] : [];
  let child: ChildProcess;
  const restart = async (waitFor: 'page' | 'port' = 'page') => {
    child = spawn(process.execPath, [...preloaded, 'dist/program/serve.mjs'], {
      env: { ...env, TEST_CLOCK: clock },
      stdio: ['ignore', 'ignore', 'inherit'],
    });
    await (waitFor === 'page' ? answering(url) : listening(port));
  };
  const kill = async () => {
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGKILL');
    await gone;
  };
  await restart();
  return {
    url,
    folder,
    kill,
    restart,
    passMinutes: (minutes) => setClock(Number(readFileSync(clock, 'utf8')) + minutes * 60_000),
    memoryMb: () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1]) / 1000,
    stop: async () => {
      if (child.exitCode === null && child.signalCode === null) await kill();
      remove();
    },
  };
}

async function answering(url: string): Promise<void> {
  for (let attempt = 0; attempt < 150; attempt++) {
    const answered = await fetch(url).then(
      (response) => response.ok,
      () => false,
    );
    if (answered) return;
    await pause(100);
  }
  throw new Error(`nothing answers at ${url}: was the application built?`);
}

async function listening(port: number): Promise<void> {
  for (let attempt = 0; attempt < 300; attempt++) {
    const isOpen = await new Promise<boolean>((resolve) => {
      const socket = net.connect(port, '127.0.0.1', () => socket.end(() => resolve(true)));
      socket.once('error', () => resolve(false));
    });
    if (isOpen) return;
    await pause(20);
  }
  throw new Error(`nothing listens on port ${port}`);
}

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = net.createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}

const MORNING_HOUR = 8;

/**
 * Sets the clock of an app that can be shifted to the next morning, between two sessions: in one that goes on every minute that passes leaves less of
 * it, and other waits.
 */
export function toMorning(app: Pick<App, 'passMinutes'>): void {
  const morning = new Date();
  morning.setHours(MORNING_HOUR, 0, 0, 0);
  if (morning.getTime() <= Date.now()) morning.setDate(morning.getDate() + 1);
  app.passMinutes((morning.getTime() - Date.now()) / 60_000);
}
