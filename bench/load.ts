/** How the views answer with very much work, and what others wait meanwhile. */
import { ulid } from 'ulid';
import type { Unit } from '../src/core/scheme/model/definitions';
import { wholeCommission } from '../src/core/plan/selection';
import { openDatabase } from '../src/data/database';
import { demoPaints } from '../src/data/demo/paints';
import { demoUnit, TIDE_COAST } from '../src/data/demo/units';
import { putOnBench } from '../src/server/bench/putOnBench';
import { loadLine } from '../src/server/plan/loadLine';
import type { Stores } from '../src/server/stores/stores';
import { storesOf } from '../src/server/stores/storesOf';
import { chooseUnits } from '../src/server/workshop/choice';
import { startApp } from '../test/support/app';
import { ask, kb, ms, whileAsking } from './asking';

const VIEWS = [
  '/',
  '/api/commissions/ID',
  '/api/commissions/ID/scheme',
  '/api/trays',
  '/api/line',
  '/api/bench',
  '/c/ID/intake',
  '/c/ID/scheme',
  '/trays',
  '/line',
  '/bench',
  '/ledger',
];
const TRAY = 5;
const LOG_ROWS = 100_000;
const COMMAS = 3_300_000;

async function fill(folder: string, jobs: number): Promise<string> {
  const { knex, close } = await openDatabase(folder);
  const id = await addCommission(storesOf(knex), 'A very large order', jobs, '9999-12-31');
  await close();
  return id;
}

/** One commission of about so many jobs, planned by nobody yet. */
export async function addCommission(stores: Stores, name: string, jobs: number, dueOn: string): Promise<string> {
  // The same ids every time: all commissions share the shelf.
  let made = 0;
  const { paints, idOf } = demoPaints(() => `paint-${made++}`);
  await stores.paints.addMissing(paints);
  const now = new Date();
  const commission = {
    id: ulid(),
    name,
    client: 'Client',
    dueOn,
    standard: 'display' as const,
    hourlyRateMinor: 2400,
    currency: 'EUR',
    note: '',
  };
  const units: Unit[] = [];
  for (let planned = 0; planned < jobs;) {
    const unit: Unit = {
      ...demoUnit(TIDE_COAST[units.length % TIDE_COAST.length]!, ulid, idOf),
      name: `Unit ${units.length + 1}`,
      trayLimit: TRAY,
    };
    unit.testModel = 'none';
    const coats = [...unit.scheme.parts.flatMap((part) => part.steps), ...unit.scheme.allOver].reduce((sum, step) => sum + step.coats, 0);
    planned += coats * Math.ceil((unit.counted ?? unit.promised) / TRAY);
    units.push(unit);
  }
  await stores.commissions.insert(commission, now.toISOString());
  await stores.commissions.saveIntake(commission, units, 1);
  for (const unit of units) await stores.commissions.saveScheme(unit.id, unit.scheme, 1, now.toISOString());
  await chooseUnits(stores, { selection: wholeCommission(commission.id) });
  return commission.id;
}

async function layOnBench(folder: string): Promise<void> {
  const { knex, close } = await openDatabase(folder);
  const stores = storesOf(knex);
  const now = new Date();
  const line = await loadLine(stores, now);
  await putOnBench(stores, { selection: line.selection, line: { order: line.suggested, wishes: [] } }, now);
  await close();
}

async function views(jobs: number): Promise<string[]> {
  const app = await startApp({ cold: true });
  await app.kill();
  const id = await fill(app.folder, jobs);
  await app.restart('port');
  const first = await whileAsking(app.url, () => ask(`${app.url}/api/commissions/${id}`));
  await app.kill();
  await layOnBench(app.folder);
  await app.restart('page');
  const rows = [
    `| ${jobs.toLocaleString('en-GB')} jobs: Intake, never planned | ${ms(first.result.ms)} | | ${kb(first.result)} | ${ms(first.worstMs)} |`,
  ];
  for (const view of VIEWS) {
    const url = app.url + view.replace('ID', id);
    const cold = await whileAsking(app.url, () => ask(url));
    const warm = await ask(url);
    rows.push(
      `| ${jobs.toLocaleString('en-GB')} jobs: ${view} | ${ms(cold.result.ms)} | ${ms(warm.ms)} | ${kb(warm)} | ${ms(cold.worstMs)} |`,
    );
    console.log(rows.at(-1));
  }
  const file = await ask(`${app.url}/api/commissions/${id}/file`);
  await app.stop();
  const other = await startApp({ cold: true });
  const imported = await whileAsking(other.url, () =>
    ask(`${other.url}/api/commissions/import`, { method: 'POST', body: file.text, headers: { origin: other.url } }),
  );
  rows.push(
    `| ${jobs.toLocaleString('en-GB')} jobs: its file imported elsewhere | ${ms(imported.result.ms)} | | ${kb(file)} | ${ms(imported.worstMs)} |`,
  );
  await other.stop();
  return rows;
}

async function files(): Promise<string[]> {
  const app = await startApp({ cold: true });
  const header = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
  const rows = Array.from(
    { length: LOG_ROWS },
    (_, index) =>
      `${new Date(1.6e12 + index * 600_000).toISOString()},Fair ${index % 50},Bakers,Apron,basecoat,foot,0.2,10,${18 + (index % 97) / 10},2,`,
  );
  const post = (path: string, body: string) => () => ask(app.url + path, { method: 'POST', body, headers: { origin: app.url } });
  const log = [header, ...rows].join('\n');
  const lines: string[] = [];
  for (const [what, act] of [
    [`${LOG_ROWS.toLocaleString('en-GB')} log rows, previewed`, post('/api/time-log/import?preview', log)],
    [
      `${(COMMAS / 1e6).toFixed(1)} MB of commas, previewed`,
      post('/api/time-log/import?preview', `${header}\n${`${','.repeat(10)}\n`.repeat(COMMAS / 11)}`),
    ],
    [`${LOG_ROWS.toLocaleString('en-GB')} log rows, imported`, post('/api/time-log/import', log)],
    ['/ledger with them, read and fitted for the first time', () => ask(`${app.url}/ledger`)],
  ] as const) {
    const { result, worstMs } = await whileAsking(app.url, act);
    lines.push(`| ${what} | ${ms(result.ms)} | | ${kb(result)} | ${ms(worstMs)} |`);
    console.log(lines.at(-1));
  }
  await app.stop();
  return lines;
}

/** The table for the benchmarks page. */
export async function loadTable(): Promise<string> {
  return [
    '| what | first | again | kB | the Shelf meanwhile, at most |',
    '| --- | ---: | ---: | ---: | ---: |',
    ...(await views(3000)),
    ...(await views(15_000)),
    ...(await files()),
  ].join('\n');
}
