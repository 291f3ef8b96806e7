/** Very much work, planned by nobody yet, and files imported one after the other: first answers, what others wait, memory. About five minutes. */
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { setTimeout as pause } from 'node:timers/promises';
import { ulid } from 'ulid';
import type { CommissionFile } from '../src/core/formats/commission/commission';
import type { Today } from '../src/contract/today';
import { openDatabase } from '../src/data/database';
import { storesOf } from '../src/server/stores/storesOf';
import { startApp, type App } from '../test/support/app';
import { ask, ms, whileAsking } from './asking';
import { addCommission } from './load';

const JOBS = 15_000;
const SMALL = 194;
const FILES = 45;
const TAPS = 530;
const DAY_MS = 86_400_000;
const [BEGIN, END] = ['<!-- much: begin -->', '<!-- much: end -->'];

/** Asks as the views do, until the answer is there. */
async function patiently(url: string): Promise<{ firstMs: number; readyMs: number; text: string }> {
  const begun = performance.now();
  let firstMs: number | null = null;
  for (;;) {
    const response = await fetch(url, { headers: { prefer: 'respond-async' } });
    const text = await response.text();
    firstMs ??= performance.now() - begun;
    if (response.status !== 202) return { firstMs, readyMs: performance.now() - begun, text };
    await pause(150);
  }
}

async function views(): Promise<string[]> {
  const app = await startApp({ cold: true });
  await app.kill();
  const { knex, close } = await openDatabase(app.folder);
  const stores = storesOf(knex);
  const large = await addCommission(stores, 'A very large order', JOBS, '2099-12-31');
  let small = '';
  for (let index = 0; index < SMALL; index++)
    small = await addCommission(stores, `Order ${index + 1}`, 1, `2027-0${1 + (index % 9)}-1${index % 10}`);
  await close();
  await app.restart('port');
  const page = await ask(app.url);
  let most = app.memoryMb();
  const rows = [`| the page of Today, opened first | ${ms(page.ms)} | | | ${app.memoryMb().toFixed(0)} MB |`];
  for (const [what, path] of [
    ['Today', '/api/today'],
    ['Intake of a small one', `/api/commissions/${small}`],
    ['Intake of the large one', `/api/commissions/${large}`],
    ['its figures', `/api/commissions/${large}/figures`],
    ['Money of the large one', `/api/commissions/${large}/money`],
    ['Scheme of the large one', `/api/commissions/${large}/scheme`],
    ['Line', '/api/line'],
    ['Trays', '/api/trays'],
    ['Colours', '/api/colours'],
    ['Ledger', '/api/ledger'],
  ] as const) {
    const { result, worstMs } = await whileAsking(app.url, () => patiently(app.url + path));
    most = Math.max(most, app.memoryMb());
    rows.push(`| ${what} | ${ms(result.firstMs)} | ${ms(result.readyMs)} | ${ms(worstMs)} | ${app.memoryMb().toFixed(0)} MB |`);
    console.log(rows.at(-1));
  }
  rows.push(`| the most of all | | | | ${most.toFixed(0)} MB |`);
  await app.stop();
  return rows;
}

/** Commission files like one of the demo, each with ids of its own and so many taps of an earlier time. */
function* files(whole: CommissionFile): Generator<string> {
  for (let index = 0; index < FILES; index++) {
    const { line: _line, record: _record, ...file } = whole;
    const ids = new Set<string>([file.id, ...file.units.flatMap(({ id, scheme }) => [id, ...idsOf(scheme)])]);
    let text = JSON.stringify({ ...file, name: `${file.name} ${index}`, judgements: [], closedAt: null, events: [] });
    const fresh = new Map([...ids].map((id) => [id, ulid()]));
    const renamed = (given: string) => [...fresh].reduce((all, [old, id]) => all.replaceAll(`"${old}"`, `"${id}"`), given);
    text = renamed(text);
    const events: object[] = [];
    for (let round = 0; events.length < TAPS; round++)
      for (const event of file.events) {
        if (event.kind === 'undone' || events.length === TAPS) continue;
        const earlier = (at: string) => new Date(Date.parse(at) - (index * 3 + round + 1) * 2 * DAY_MS).toISOString();
        events.push({ ...event, id: ulid(), at: earlier(event.at), ...(event.readyAt && { readyAt: earlier(event.readyAt) }) });
      }
    yield JSON.stringify({ ...(JSON.parse(text) as object), events: JSON.parse(renamed(JSON.stringify(events))) as unknown });
  }
}

const idsOf = ({ parts, allOver }: CommissionFile['units'][number]['scheme']): string[] => [
  ...parts.flatMap((part) => [part.id, ...part.steps.map(({ id }) => id)]),
  ...allOver.map(({ id }) => id),
];

async function imports(): Promise<string[]> {
  const app: App = await startApp({ demo: true, cold: true });
  const today = JSON.parse((await ask(`${app.url}/api/today`)).text) as Today;
  const all: CommissionFile[] = [];
  for (const { commission } of today.commissions)
    all.push(JSON.parse((await ask(`${app.url}/api/commissions/${commission.id}/file`)).text) as CommissionFile);
  const longest = all.reduce((most, file) => (file.events.length > most.events.length ? file : most));
  const took: number[] = [];
  let most = 0;
  for (const body of files(longest)) {
    const { ms: each, text } = await ask(`${app.url}/api/commissions/import`, { method: 'POST', body, headers: { origin: app.url } });
    if (text.includes('"error"')) throw new Error(text.slice(0, 300));
    took.push(each);
    most = Math.max(most, app.memoryMb());
  }
  await app.stop();
  const middle = (times: number[]) => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
  const sum = took.reduce((total, each) => total + each, 0);
  return [
    `| the first ten, one (median) | ${ms(middle(took.slice(0, 10)))} |`,
    `| the last ten, one (median) | ${ms(middle(took.slice(-10)))} |`,
    `| the slowest | ${ms(Math.max(...took))} |`,
    `| all ${FILES} | ${ms(sum)} |`,
    `| memory, the most | ${most.toFixed(0)} MB |`,
  ];
}

const seen = await views();
const taken = await imports();
const table = [
  BEGIN,
  '',
  `${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}. One commission of ${JOBS.toLocaleString('en-GB')} jobs and ${SMALL} small ones, all open, nothing planned yet; each view is asked for as it asks itself, and the Shelf all the while.`,
  '',
  '| view | first answer | all of it | the Shelf, at most | memory |',
  '| --- | ---: | ---: | ---: | ---: |',
  ...seen,
  '',
  `${FILES} commission files of ${TAPS} taps, imported one after the other:`,
  '',
  '| what | time |',
  '| --- | ---: |',
  ...taken,
  '',
  END,
].join('\n');
const file = 'docs/benchmarks.md';
writeFileSync(file, readFileSync(file, 'utf8').replace(new RegExp(`${BEGIN}[\\s\\S]*${END}`), table));
console.log(table);
