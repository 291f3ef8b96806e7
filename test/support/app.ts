import { readFileSync } from 'node:fs';
import net from 'node:net';
import { emptyFolder, settledDemoFolder } from './database';
import { end, hostOf, run, stop } from './hosts';

/** The built program, running on a port and a data folder of its own, in a process that may have run others before. */
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

/** What is measured starts `cold`: in a process that nothing has run in before. */
export async function startApp({
  demo = false,
  cold = false,
  shiftsClock = false,
  settings = {} as Record<string, string>,
} = {}): Promise<App> {
  const { folder, remove } = await (demo ? settledDemoFolder(STARTED) : emptyFolder());
  const port = await freePort();
  const url = `http://127.0.0.1:${port}`;
  const options = { settings, shiftsClock, isCold: cold };
  let host = hostOf(options);
  const start = async (waitFor: 'page' | 'port') => {
    await run(host, folder, port);
    if (waitFor === 'page' && !(await fetch(url)).ok) throw new Error(`no page at ${url}: was the application built?`);
  };
  await start('page');
  return {
    url,
    folder,
    kill: () => end(host),
    restart: (waitFor = 'page') => {
      const ahead = host.clock?.aheadMs ?? 0;
      host = hostOf(options);
      host.clock?.set(ahead);
      return start(waitFor);
    },
    passMinutes: (minutes) => host.clock!.set(host.clock!.aheadMs + minutes * 60_000),
    memoryMb: () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${host.process.pid}/status`, 'utf8'))?.[1]) / 1000,
    stop: async () => {
      await stop(host);
      remove();
    },
  };
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
