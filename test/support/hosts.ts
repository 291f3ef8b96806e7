import { fork, type ChildProcess } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';

/** A process that runs one program at a time. */
export interface Host {
  process: ChildProcess;
  /** What it was begun with beside the usual; null for nothing, then it may run the programs of other tests. */
  own: HostOptions | null;
}

export interface HostOptions {
  settings: Record<string, string>;
  preloaded: string[];
}

/** What runs none at the moment. The engine takes longer to make the code fast than many a test takes: the next program finds it so. */
const idle: Host[] = [];
/** A program that is busy for longer is ended with its process. */
const STOPS_WITHIN_MS = 2000;

export function hostOf(own: HostOptions | null): Host {
  const known = own === null ? idle.splice(0).filter(isAlive) : [];
  const host = known.pop() ?? { process: begun(own), own };
  idle.push(...known);
  return host;
}

const isAlive = ({ process: child }: Host) => child.exitCode === null && child.signalCode === null;

function begun(own: HostOptions | null): ChildProcess {
  const { settings, preloaded } = own ?? { settings: {}, preloaded: [] };
  return fork('test/support/host.mjs', {
    execArgv: preloaded.flatMap((file) => ['--import', file]),
    env: { ...process.env, NODE_ENV: 'production', ...settings },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
}

/** Runs the program on a folder and a port; answers once it listens. */
export function run({ process: child }: Host, folder: string, port: number): Promise<void> {
  return told(child, { folder, port });
}

/** Stops the program; its process waits for the next one. */
export async function stop(host: Host): Promise<void> {
  if (!isAlive(host)) return;
  const isStopped =
    host.own === null && (await Promise.race([told(host.process, { folder: null }).then(() => true), pause(STOPS_WITHIN_MS, false)]));
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
