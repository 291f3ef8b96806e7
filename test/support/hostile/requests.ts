import fc from '../property';
import { object, type Schema } from 'yup';
import type { Today } from '../../../src/contract/today';
import { recordEventsSchema } from '../../../src/server/bench/recordEvents';
import { putOnBenchSchema } from '../../../src/server/bench/putOnBench';
import { newCommissionSchema } from '../../../src/server/intake/createCommission';
import { closeSchema, deleteSchema, duplicateSchema } from '../../../src/server/intake/lifecycle';
import { intakeSchema } from '../../../src/server/intake/saveIntake';
import { sayOfMarksSchema } from '../../../src/server/bench/sayOfMarks';
import { scopeSchema } from '../../../src/server/intake/scope';
import { saveSchemeSchema } from '../../../src/server/schemes/saveScheme';
import { demoSchema } from '../../../src/server/starting/setDemo';
import { houseRulesSchema } from '../../../src/server/house/saveHouseRules';
import { legSheetSchema } from '../../../src/server/plan/loadLegSheet';
import { ownLineSchema } from '../../../src/server/plan/saveOwnLine';
import { saveTraysSchema } from '../../../src/server/plan/saveTrays';
import { extraSchema } from '../../../src/server/money/extras';
import { saveOtherSchema, startOtherSchema } from '../../../src/server/bench/otherWork';
import { savePaintSchema } from '../../../src/server/shelf/savePaint';
import { judgeRowSchema } from '../../../src/server/ledger/loadLog';
import { layLineSchema, suggestedSchema } from '../../../src/server/plan/layLine';
import { valuesOf } from './arbitrary';

interface Asked {
  method: string;
  path: string;
  body: string | null;
}

/** What came of many requests. */
export interface RequestReport {
  requests: number;
  /** How many were answered with each status. */
  statuses: Record<string, number>;
  /** Answers that must not be: 5xx, refusals without a reason, none at all. */
  wrong: string[];
  slowestMs: number;
}

const BODIES: [method: string, path: string, schema: Schema, weight: number][] = [
  ['POST', '/api/commissions', newCommissionSchema, 4],
  ['PUT', '/api/commissions/ID', intakeSchema, 10],
  ['POST', '/api/commissions/ID/duplicate', duplicateSchema, 2],
  ['PUT', '/api/commissions/ID/closed', closeSchema, 1],
  ['PUT', '/api/commissions/ID/deleted', deleteSchema, 1],
  ['PUT', '/api/commissions/ID/trays', saveTraysSchema, 5],
  ['PUT', '/api/units/ID/scheme', saveSchemeSchema, 12],
  ['PUT', '/api/house-rules', houseRulesSchema, 6],
  ['PUT', '/api/paints', savePaintSchema, 8],
  ['PUT', '/api/line/units', layLineSchema, 7],
  ['PUT', '/api/line', ownLineSchema, 6],
  ['POST', '/api/line/suggested', suggestedSchema, 2],
  ['POST', '/api/line/leg-sheet', legSheetSchema, 1],
  ['PUT', '/api/bench', putOnBenchSchema, 6],
  ['POST', '/api/bench/events', recordEventsSchema, 20],
  ['PUT', '/api/time-log/ID', judgeRowSchema, 4],
  ['PUT', '/api/demo', demoSchema, 1],
  ['POST', '/api/units/ID/marks', sayOfMarksSchema, 4],
  ['POST', '/api/other-work', startOtherSchema, 2],
  ['PUT', '/api/other-work/ID', saveOtherSchema, 4],
  ['POST', '/api/commissions/ID/extras', extraSchema, 1],
  ['PUT', '/api/scope-changes/ID', scopeSchema, 1],
  ['POST', '/api/clock-corrections/ID/taken-back', object({}), 1],
];

const INHERITED = ['constructor', 'toString', 'valueOf', 'hasOwnProperty', '__proto__'];

const GETS = [
  '/',
  '/new',
  '/c/ID/intake',
  '/c/ID/scheme',
  '/api/commissions/ID',
  '/api/commissions/ID/scheme',
  '/api/trays',
  '/trays?of=ID',
  '/line?of=ID',
  '/api/today',
  '/api/ledger',
  '/api/house-rules',
  '/bench',
  '/ledger',
  '/shelf',
  '/house-rules',
  '/backups',
  '/api/bench',
  '/api/bench/figures',
  '/api/commissions/ID/file',
  '/api/commissions/ID/estimate',
  '/api/commissions/ID/painted',
  '/api/paints/ID/models',
  '/api/time-log/rows?page=ID&filter=ID',
  '/api/time-log',
];

function anyRequest(known: readonly string[]): fc.Arbitrary<Asked> {
  const id = fc.oneof(
    { arbitrary: fc.constantFrom(...known), weight: 8 },
    { arbitrary: fc.string({ minLength: 1, maxLength: 12 }), weight: 1 },
    fc.constantFrom('__proto__', '..', '%00', '-1'),
  );
  const at = (path: string) => id.map((each) => path.replaceAll('ID', encodeURIComponent(each)));
  const json = (value: unknown) => JSON.stringify(value) ?? 'null';
  /** Now and then with a field that every object has by birth. */
  const inherited = fc.oneof({ arbitrary: fc.constant(null), weight: 20 }, fc.constantFrom(...INHERITED));
  const body = (schema: Schema) =>
    fc
      .tuple(valuesOf(schema, known).map(json), inherited)
      .map(([text, name]) => (name === null ? text : text.replace('{', `{"${name}":1,`)));
  return fc.oneof(
    ...BODIES.map(([method, path, schema, weight]) => ({
      arbitrary: fc.record({ method: fc.constant(method), path: at(path), body: body(schema) }),
      weight,
    })),
    { arbitrary: fc.record({ method: fc.constant('GET'), path: fc.constantFrom(...GETS).chain(at), body: fc.constant(null) }), weight: 12 },
    {
      arbitrary: fc.record({
        method: fc.constantFrom('POST', 'PUT', 'DELETE', 'PATCH'),
        path: fc.oneof(fc.constantFrom(...BODIES.map(([, path]) => path)).chain(at), fc.webPath()),
        body: fc.oneof(
          fc.string({ maxLength: 200 }),
          fc.constant('['.repeat(5000)),
          fc.constant('{"a":'.repeat(2000)),
          fc.constant('"\\ud800"'),
        ),
      }),
      weight: 4,
    },
    {
      arbitrary: fc.record({
        method: fc.constant('POST'),
        path: fc.constantFrom('/api/time-log/import?preview', '/api/time-log/import', '/api/commissions/import'),
        body: fc.oneof(fc.string({ maxLength: 400 }), fc.jsonValue().map(json)),
      }),
      weight: 1,
    },
  );
}

/** Everything that has an id in the demo or whatever else is stored. */
async function knownIds(url: string): Promise<string[]> {
  const today = (await (await fetch(`${url}/api/today`)).json()) as Pick<Today, 'commissions'>;
  const commissions = today.commissions.map(({ commission }) => commission.id);
  const ids = new Set(commissions);
  for (const id of commissions)
    for (const [, each] of (await (await fetch(`${url}/api/commissions/${id}/file`)).text()).matchAll(/"(?:id|unit|step)": "([^"]+)"/g))
      ids.add(each!);
  return [...ids, 'new-1', 'new-2'];
}

/** Sends seeded requests of every type and shape, some at a time, and looks at every answer. */
export async function sendHostile(
  url: string,
  { requests, seed, atOnce }: { requests: number; seed: number; atOnce: number },
): Promise<RequestReport> {
  const asked = fc.sample(anyRequest(await knownIds(url)), { numRuns: requests, seed });
  const report: RequestReport = { requests, statuses: {}, wrong: [], slowestMs: 0 };
  let next = 0;
  const sender = async () => {
    for (let index = next++; index < asked.length; index = next++) await sendOne(url, asked[index]!, report);
  };
  await Promise.all(Array.from({ length: atOnce }, sender));
  return report;
}

async function sendOne(url: string, { method, path, body }: Asked, report: RequestReport): Promise<void> {
  const begun = performance.now();
  const what = `${method} ${path} ${(body ?? '').slice(0, 200)}`;
  try {
    const response = await fetch(url + path, { method, ...(body !== null && { body }), headers: { origin: url } });
    const text = await response.text();
    report.statuses[response.status] = (report.statuses[response.status] ?? 0) + 1;
    if (response.status >= 500) report.wrong.push(`${response.status}: ${what}`);
    else if (response.status >= 400 && path.startsWith('/api/') && !hasReason(text))
      report.wrong.push(`no reason: ${what} -> ${text.slice(0, 100)}`);
  } catch (error) {
    report.wrong.push(`no answer: ${what} (${String((error as Error).cause ?? error)})`);
  }
  report.slowestMs = Math.max(report.slowestMs, performance.now() - begun);
}

/** A refusal says what is wrong, and what to do behind a colon. */
function hasReason(text: string): boolean {
  try {
    return /.: ./.test((JSON.parse(text) as { error: string }).error);
  } catch {
    return false;
  }
}
