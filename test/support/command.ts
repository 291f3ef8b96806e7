import { spawnSync } from 'node:child_process';
import { Worker } from 'node:worker_threads';

export interface Ran {
  stdout: string;
  stderr: string;
  /** The exit code. */
  status: number | null;
}

/** Commands of the command line, as they are shipped. */
type Command = 'plan' | 'paint' | 'schemes' | 'estimates';
const fileOf = (command: Command) => `dist/program/${command}.mjs`;

/** Runs a command in a thread, which begins three times as fast as a process and sees the same but for standard input. */
export function runCommand(command: Command, ...args: string[]): Promise<Ran> {
  const thread = new Worker(`./${fileOf(command)}`, { argv: args, execArgv: [], stdout: true, stderr: true });
  const ran: Ran = { stdout: '', stderr: '', status: null };
  for (const stream of ['stdout', 'stderr'] as const) thread[stream].on('data', (chunk) => (ran[stream] += String(chunk)));
  return new Promise((resolve, reject) => {
    thread.once('error', reject);
    thread.once('exit', (status) => resolve({ ...ran, status }));
  });
}

/** Runs a command as a shell does, with a text on standard input. */
export const runInShell = (command: Command, args: readonly string[], input: string): Ran =>
  spawnSync(process.execPath, [fileOf(command), ...args], { encoding: 'utf8', input });
