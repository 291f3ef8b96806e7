import { build } from 'esbuild';
import { spawn } from 'node:child_process';
import { copyFileSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { connect } from '../../../src/data/file/connection';
import { openDatabase } from '../../../src/data/database';
import { copiesFolder, databaseFile } from '../../../src/data/file/folder';
import { migrations } from '../../../src/data/migrations';
import { exportCommission } from '../../../src/server/intake/exportCommission';
import { setDemo } from '../../../src/server/starting/setDemo';
import { storesOf } from '../../../src/server/stores/storesOf';
import { temporaryFolder } from '../temporaryFolder';
import { Random } from '../random';

type Act = 'taps' | 'import' | 'upgrade' | 'first';

export interface KillReport {
  /** Kills by what the program was at. */
  kills: Record<Act, number>;
  /** Of them, those that hit before the work was done. */
  inTheMiddle: number;
  /** Taps that were answered as recorded. */
  acknowledged: number;
  /** What came out wrong. */
  wrong: string[];
}

/** The longest that a kill waits after the work has begun, milliseconds; about as long as the work takes. */
const LATEST_MS = { taps: 250, import: 250, upgrade: 300, first: 1500 } as const satisfies Record<Act, number>;

interface KillOptions {
  seed: number;
  atOnce: number;
  /** After so many milliseconds the rest is left out. */
  mostMs?: number;
}

/** Kills programs in the middle of what they do, and looks at what is left each time. */
export async function killOften(wanted: Record<Act, number>, { seed, atOnce, mostMs = Infinity }: KillOptions): Promise<KillReport> {
  const begun = performance.now();
  const { folder, remove } = temporaryFolder();
  const report: KillReport = { kills: { taps: 0, import: 0, upgrade: 0, first: 0 }, inTheMiddle: 0, acknowledged: 0, wrong: [] };
  const seeds = await seedFolders(folder);
  await bundleVictim();
  const cases = (Object.keys(wanted) as Act[]).flatMap((act) => Array.from({ length: wanted[act] }, (_, number) => ({ act, number })));
  const random = new Random(seed);
  const plan = random.shuffle(cases).map((one) => ({ ...one, afterMs: random.uniform() * LATEST_MS[one.act] }));
  let next = 0;
  const killer = async () => {
    for (let index = next++; index < plan.length && performance.now() - begun < mostMs; index = next++)
      await killOne(plan[index]!, path.join(folder, `case ${index}`), seeds, report);
  };
  await Promise.all(Array.from({ length: atOnce }, killer));
  remove();
  return report;
}

/** As one file it begins several times faster, and a thousand of them are wanted. Packages are found from where it lies. */
const VICTIM = path.resolve('node_modules/.cache/neat-relay/victim.mjs');
const bundleVictim = () =>
  build({
    entryPoints: ['test/support/hostile/victim.ts'],
    outfile: VICTIM,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'error',
  });

interface Seeds {
  /** A database with the demo, one of an earlier version with paints, and a commission file. */
  demo: string;
  old: string;
  file: string;
  commissionId: string;
}

async function seedFolders(folder: string): Promise<Seeds> {
  const made = await openDatabase(path.join(folder, 'demo'));
  const stores = storesOf(made.knex);
  await setDemo(stores, { here: true }, new Date());
  const [first] = await stores.commissions.listOpen();
  const { text } = await exportCommission(stores, first!.id);
  const file = path.join(folder, 'commission.json');
  writeFileSync(file, text);
  await made.close();
  const old = await openDatabase(path.join(folder, 'old'), migrations.slice(0, 2));
  for (let index = 0; index < 200; index++)
    await old.knex('paint').insert({ id: `p${index}`, name: `Paint ${index}`, hex: '#aabbcc', kind: 'opaque', dryMinutes: null });
  await old.close();
  return { demo: path.join(folder, 'demo'), old: path.join(folder, 'old'), file, commissionId: first!.id };
}

async function killOne({ act, afterMs }: { act: Act; afterMs: number }, folder: string, seeds: Seeds, report: KillReport): Promise<void> {
  mkdirSync(folder);
  const source = act === 'taps' ? seeds.demo : act === 'upgrade' ? seeds.old : null;
  if (source !== null) copyFileSync(databaseFile(source), databaseFile(folder));
  const { said, wasKilled } = await runAndKill([act, folder, seeds.file], afterMs);
  report.kills[act]++;
  if (wasKilled && !said.includes('end')) report.inTheMiddle++;
  try {
    const wrong = await look(act, folder, said, seeds, report);
    if (wrong !== null) report.wrong.push(`${act} after ${afterMs.toFixed(0)} ms: ${wrong}`);
  } catch (error) {
    report.wrong.push(`${act} after ${afterMs.toFixed(0)} ms: ${(error as Error).message}`);
  }
  rmSync(folder, { recursive: true, force: true });
}

function runAndKill(args: string[], afterMs: number): Promise<{ said: string[]; wasKilled: boolean }> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [VICTIM, ...args], {
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let text = '';
    let errors = '';
    let timer: NodeJS.Timeout | undefined;
    child.stderr.on('data', (chunk) => (errors += String(chunk)));
    child.stdout.on('data', (chunk) => {
      text += String(chunk);
      if (text.startsWith('begin')) timer ??= setTimeout(() => child.kill('SIGKILL'), afterMs);
    });
    child.once('close', (code, signal) => {
      clearTimeout(timer);
      if (signal === null && code !== 0) return reject(new Error(`the victim failed by itself: ${errors}`));
      // A line that was cut was not told whole.
      resolve({
        said: text
          .slice(0, text.lastIndexOf('\n') + 1)
          .split('\n')
          .filter(Boolean),
        wasKilled: signal !== null,
      });
    });
  });
}

/** What is wrong with a folder after the kill; null when nothing is. */
async function look(act: Act, folder: string, said: string[], seeds: Seeds, report: KillReport): Promise<string | null> {
  const { knex, close } = await openDatabase(folder);
  try {
    const stores = storesOf(knex);
    const leftovers = [...readdirSync(folder), ...readdirSync(copiesFolder(folder))].filter((name) => name.includes('.part'));
    if (leftovers.length > 0) return `it left ${leftovers.join(', ')}`;
    for (const copy of readdirSync(copiesFolder(folder))) {
      const problem = await unsound(path.join(copiesFolder(folder), copy));
      if (problem !== null) return `the copy ${copy} is ${problem}`;
    }
    if (act === 'taps') {
      const acknowledged = said.filter((line) => line !== 'begin').flatMap((line) => line.split(' '));
      report.acknowledged += acknowledged.length;
      const stored = (await stores.bench.after(0, 1_000_000)).map(({ id }) => id);
      const missing = acknowledged.filter((id) => !stored.includes(id));
      if (missing.length > 0) return `${missing.length} acknowledged taps are missing`;
      if (new Set(stored).size < stored.length) return 'taps are doubled';
    } else if (act === 'import') {
      const [commission] = await stores.commissions.listOpen();
      const events = (await stores.bench.after(0, 1_000_000)).length;
      if (!commission) return events > 0 ? 'events without their commission' : null;
      if ((await exportCommission(stores, seeds.commissionId)).text !== readFileSync(seeds.file, 'utf8')) return 'half a commission';
    } else if (act === 'upgrade') {
      if ((await stores.paints.list()).length !== 200) return 'paints are lost';
    } else {
      const open = await stores.commissions.listOpen();
      if (open.length !== 0 && open.length !== 3) return `${open.length} commissions of the demo`;
      if (open.length === 0 && !(await stores.demo.isEmpty())) return 'half a demo';
    }
    return null;
  } finally {
    await close();
  }
}

async function unsound(file: string): Promise<string | null> {
  const db = connect(file, { readonly: true });
  try {
    const [result] = await db.raw<Record<string, string>[]>('PRAGMA integrity_check');
    const said = Object.values(result ?? {})[0];
    return said === 'ok' ? null : (said ?? 'silent');
  } catch (error) {
    return (error as Error).message;
  } finally {
    await db.destroy();
  }
}
