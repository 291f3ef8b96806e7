/** How the views answer after years of work: many commissions, few of them open, one long stream of events, a long log. */
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { ulid } from 'ulid';
import type { WorkFacts } from '../src/core/bench/definitions';
import type { Scheme, Unit } from '../src/core/scheme/model/definitions';
import { handleMinutesOf } from '../src/core/plan/build/buildLine';
import { DEFAULT_HOUSE_RULES } from '../src/core/scheme/model/houseRules';
import { modelFactors } from '../src/core/scheme/model/whoTakes';
import { factsOf } from '../src/core/scheme/model/techniques';
import { wholeCommission } from '../src/core/plan/selection';
import { CommissionStore } from '../src/data/stores/commissionStore';
import { openDatabase } from '../src/data/database';
import { demoPaints } from '../src/data/demo/paints';
import { demoUnit, TIDE_COAST } from '../src/data/demo/units';
import { PaintStore } from '../src/data/stores/paintStore';
import { storesOf } from '../src/server/stores/storesOf';
import { loadToday } from '../src/server/today/loadToday';
import { loadLine } from '../src/server/plan/loadLine';
import { putOnBench } from '../src/server/bench/putOnBench';
import { answerQuote, keepQuote } from '../src/server/money/quotes';
import { chooseUnits } from '../src/server/workshop/choice';
import { startApp, type App } from '../test/support/app';
import { ask, kb, ms, whileAsking } from './asking';
import { loadTable } from './load';

const COMMISSIONS = 200;
const OPEN = 6;
const EVENTS = 100_000;
const ROWS = 20_000;
const ROUNDS = 5;
const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
const TABLE_BEGIN = '<!-- growth: begin -->';
const TABLE_END = '<!-- growth: end -->';

interface Step {
  unit: Unit;
  stepId: string;
  part: string;
  facts: WorkFacts;
}

/** Fills a data folder; answers with the id of the commission that is due first. */
async function fill(folder: string): Promise<string> {
  const { knex, close } = await openDatabase(folder);
  const { paints, idOf } = demoPaints(ulid);
  await new PaintStore(knex).addMissing(paints);
  const store = new CommissionStore(knex);
  const now = Date.now();
  const [events, rows]: [object[], object[]] = [[], []];
  const perCommission = EVENTS / COMMISSIONS;
  let firstOpen = '';
  for (let index = 0; index < COMMISSIONS; index++) {
    const isOpen = index >= COMMISSIONS - OPEN;
    const begin = now - (COMMISSIONS - index) * 3 * DAY_MS;
    const commission = {
      id: ulid(begin),
      name: `Order ${index + 1}`,
      client: `Client ${index % 40}`,
      dueOn: new Date(now + (10 + (index % OPEN) * 12) * DAY_MS).toISOString().slice(0, 10),
      standard: 'table' as const,
      hourlyRateMinor: 2400,
      currency: 'EUR',
      note: '',
    };
    if (isOpen && firstOpen === '') firstOpen = commission.id;
    const units = TIDE_COAST.map((entry) => demoUnit(entry, ulid, idOf));
    await store.insert(commission, new Date(begin).toISOString(), isOpen ? null : new Date(begin + 2 * DAY_MS).toISOString());
    await store.saveIntake(commission, units, 1);
    for (const unit of units) await store.saveScheme(unit.id, unit.scheme, 1, new Date(begin).toISOString());
    const steps = units.flatMap((unit) => stepsOf(unit, commission));
    let at = begin;
    let made = 0;
    while (made < perCommission) {
      const step = steps[Math.floor(made / 10) % steps.length]!;
      const row = { id: ulid(at), startedAt: new Date(at).toISOString() };
      events.push(eventRow(row.id, 'started', at, step, []));
      for (let model = 1; model <= 4; model++) {
        at += 2 * MINUTE_MS;
        events.push(eventRow(ulid(at), 'done', at, step, [model + 4 * (Math.floor(made / 5) % 2)]));
      }
      made += 5;
      rows.push(logRow(row, step));
      at += 3 * MINUTE_MS;
    }
  }
  await knex.batchInsert('bench_event', events, 50);
  await knex.batchInsert('time_log', rows.slice(0, ROWS), 40);
  const stores = storesOf(knex);
  const at = new Date(now);
  await chooseUnits(stores, { selection: wholeCommission(firstOpen) });
  const line = await loadLine(stores, at);
  await putOnBench(stores, { selection: line.selection, line: { order: line.suggested, wishes: [] } }, at);
  const quote = await keepQuote(stores, firstOpen, '', at);
  await answerQuote(stores, quote.id, { answer: 'accepted', note: '' }, at);
  // A program in use has planned every line once.
  await loadToday(stores, at);
  await close();
  return firstOpen;
}

function stepsOf(unit: Unit, commission: { id: string; name: string }): Step[] {
  const strips = (scheme: Scheme) => [
    ...scheme.parts.flatMap((part) => part.steps.map((step) => ({ part: part.name, step }))),
    ...scheme.allOver.map((step) => ({ part: '', step })),
  ];
  return strips(unit.scheme).map(({ part, step }) => {
    const { dryMinutes } = factsOf(step.technique);
    return {
      unit,
      stepId: step.id,
      part,
      facts: {
        commissionId: commission.id,
        commission: commission.name,
        unit: unit.name,
        part,
        technique: step.technique,
        paintId: step.paint,
        paint: null,
        size: unit.size,
        coverage: step.coverage,
        dryMinutes,
        handleMinutes: handleMinutesOf(step.technique, dryMinutes),
        minutes: 2,
        like: null,
        effort: 1,
        factors: modelFactors(unit.scheme, DEFAULT_HOUSE_RULES),
      },
    };
  });
}

const eventRow = (id: string, kind: string, at: number, step: Step, models: number[]) => ({
  id,
  kind,
  at: new Date(at).toISOString(),
  atMs: at,
  receivedAt: new Date(at).toISOString(),
  unit: step.unit.id,
  step: step.stepId,
  coat: 1,
  models: JSON.stringify(models),
  facts: kind === 'started' ? JSON.stringify(step.facts) : null,
  note: '',
});

const logRow = ({ id, startedAt }: { id: string; startedAt: string }, { unit, stepId, facts }: Step) => ({
  id,
  eventId: id,
  startedAt,
  commissionId: facts.commissionId,
  unitId: unit.id,
  stepId,
  commission: facts.commission,
  unit: unit.name,
  part: facts.part,
  technique: facts.technique,
  size: unit.size,
  coverage: facts.coverage,
  models: 4,
  weight: 4,
  minutes: 8,
  setupMinutes: 3,
  note: '',
});

/** The painter's word on the row of a long log that came last, what the bench shows after it, and what others wait meanwhile. */
async function judgeTable(app: App): Promise<string> {
  await app.restart('page');
  const figures = `${app.url}/api/bench/figures`;
  const newest = JSON.parse((await ask(`${app.url}/api/time-log/rows`)).text) as { rows: { id: string }[] };
  const lines = [
    '| the painter says of one row that | the figures at the bench after it | while others ask for the Shelf | the Shelf, at most |',
    '| --- | ---: | ---: | ---: |',
  ];
  const judge = (verdict: string) => {
    const body = JSON.stringify({ verdict, correctedMinutes: null });
    const headers = { 'content-type': 'application/json', origin: app.url };
    return ask(`${app.url}/api/time-log/${newest.rows[0]!.id}`, { method: 'PUT', headers, body });
  };
  for (const [verdict, back, what] of [
    ['left out', 'unsure', 'it does not count'],
    ['counts', 'unsure', 'it counts'],
  ] as const) {
    await judge(verdict);
    const alone = await ask(figures);
    await judge(back);
    const { result, worstMs } = await whileAsking(app.url, () => ask(figures));
    lines.push(`| ${what} | ${ms(alone.ms)} | ${ms(result.ms)} | ${ms(worstMs)} |`);
    console.log(lines.at(-1));
  }
  await app.kill();
  return lines.join('\n');
}

const folderApp = await startApp({ cold: true });
await folderApp.kill();
console.log('Filling the data folder ...');
const first = await fill(folderApp.folder);
const paths = [
  '/',
  `/c/${first}/intake`,
  `/c/${first}/scheme`,
  `/api/commissions/${first}/money`,
  '/trays',
  '/line',
  '/bench',
  '/api/bench',
  '/api/bench/figures',
  '/ledger',
  '/shelf',
  '/house-rules',
];
const lines = ['| view | first, after a start | warm, median | kB |', '| --- | ---: | ---: | ---: |'];
await folderApp.restart('port');
const start = await ask(folderApp.url);
await folderApp.kill();
lines.push(`| (Today, while the program starts) | ${ms(start.ms)} | | |`);
for (const path of paths) {
  // As the start script does it: Today is asked for once before the address is given away.
  await folderApp.restart('page');
  const cold = await ask(folderApp.url + path);
  const warm: number[] = [];
  for (let round = 0; round < ROUNDS; round++) warm.push((await ask(folderApp.url + path)).ms);
  await folderApp.kill();
  const median = warm.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]!;
  const line = `| ${path.replace(first, 'ID')} | ${ms(cold.ms)} | ${ms(median)} | ${kb(cold)} |`;
  lines.push(line);
  console.log(line);
}
const judged = await judgeTable(folderApp);
await folderApp.stop();

const file = 'docs/benchmarks.md';
const text = readFileSync(file, 'utf8').replace(
  /<!-- load: begin -->[\s\S]*<!-- load: end -->/,
  `<!-- load: begin -->\n\n${await loadTable()}\n\n<!-- load: end -->`,
);
const table = `${TABLE_BEGIN}\n\n${COMMISSIONS} commissions of which ${OPEN} open, ${EVENTS.toLocaleString('en-GB')} bench events, ${ROWS.toLocaleString('en-GB')} log rows; ${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}.\n\n${lines.join('\n')}\n\n${judged}\n\n${TABLE_END}`;
writeFileSync(file, text.replace(new RegExp(`${TABLE_BEGIN}[\\s\\S]*${TABLE_END}`), table));
