import { fork, type ChildProcess } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { ShiftedClock } from './ShiftedClock';

/** A process that runs one program at a time. */
export interface Host {
  process: ChildProcess;
  options: HostOptions;
  /** Says how far its clock is ahead; null where it has that of the computer. */
  clock: ShiftedClock | null;
}

export interface HostOptions {
  /** Beside the usual; a process that has any runs the program of one test only. */
  settings: Record<string, string>;
  shiftsClock: boolean;
  /** Nothing has run in it before, and nothing will after. */
  isCold: boolean;
}

/** What runs none at the moment. The engine takes longer to make the code fast than many a test takes: the next program finds it so. */
const idle: Host[] = [];
/** A program that is busy for longer is ended with its process. */
const STOPS_WITHIN_MS = 2000;

export function hostOf(options: HostOptions): Host {
  const fit = isShared(options) ? idle.findIndex((host) => isAlive(host) && host.options.shiftsClock === options.shiftsClock) : -1;
  const host = fit < 0 ? begun(options) : idle.splice(fit, 1)[0]!;
  host.clock?.set(0);
  return host;
}

const isShared = ({ settings, isCold }: HostOptions) => !isCold && Object.keys(settings).length === 0;
const isAlive = ({ process: child }: Host) => child.exitCode === null && child.signalCode === null;

function begun(options: HostOptions): Host {
  const clock = options.shiftsClock ? new ShiftedClock() : null;
  const child = fork('test/support/host.mjs', {
    execArgv: clock ? ['--import', './test/support/shiftClock.mjs'] : [],
    env: { ...process.env, NODE_ENV: 'production', ...(clock && { TEST_CLOCK: clock.file }), ...options.settings },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  return { process: child, options, clock };
}

/** Runs the program on a folder and a port; answers once it listens. */
export function run({ process: child }: Host, folder: string, port: number): Promise<void> {
  return told(child, { folder, port });
}

/** Stops the program; its process waits for the next one. */
export async function stop(host: Host): Promise<void> {
  if (!isAlive(host)) return;
  const isStopped =
    isShared(host.options) && (await Promise.race([told(host.process, { folder: null }).then(() => true), pause(STOPS_WITHIN_MS, false)]));
  if (isStopped) idle.push(host);
  else await end(host);
}

/** Ends the process as a power cut would. */
export async function end(host: Host): Promise<void> {
  if (!isAlive(host)) return;
  const { process: child } = host;
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGKILL');
  await gone;
}

function told(child: ChildProcess, what: object): Promise<void> {
  return new Promise((resolve, reject) => {
    const ended = () => reject(new Error('The program ended: it has said why. Was the application built?'));
    child.once('exit', ended);
    child.once('message', () => {
      child.off('exit', ended);
      resolve();
    });
    child.send(what);
  });
}
