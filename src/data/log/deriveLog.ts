import { MINUTE_MS } from '../../core/kernel/timeUnits';
import type { Knex } from 'knex';
import { passKeyOf, type BenchEvent, type WorkFacts } from '../../core/bench/definitions';
import { foldClock, SITTING_GAP_MINUTES } from '../../core/bench/replay/foldClock';
import { foldMarks } from '../../core/bench/replay/foldMarks';
import { logRowsOf, type IdentifiedLogRow } from '../../core/bench/replay/logRowsOf';
import { idsOfStep } from '../../core/scheme/model/halves';
import { eventOf } from './eventRows';
import { inPieces } from '../file/inPieces';

/**
 * Which rules the rows of a log follow from the taps by: raised whenever they change, so that the log is worked out anew at the next
 * start. Numbers below 100 were counts of migrations.
 */
export const DERIVATION = 100;

const GAP_MS = SITTING_GAP_MINUTES * MINUTE_MS;
const WALKED_AT_ONCE = 400;

interface Window {
  bench: string | null;
  from: number;
  to: number;
}

/**
 * Works out the time log rows of every sitting that these events belong to, and of those whose events they undo. Answers with the
 * ids of rows that were written or are gone.
 */
export async function deriveLog(trx: Knex, events: readonly BenchEvent[]): Promise<string[]> {
  const written: string[] = [];
  const moments: { bench: string | null; at: number }[] = events.map(({ bench, at }) => ({ bench, at: Date.parse(at) }));
  for (const piece of inPieces(events.flatMap((event) => (event.target === null ? [] : [event.target]))))
    for (const { bench, atMs } of await trx('bench_event').whereIn('id', piece).select('bench', 'atMs')) moments.push({ bench, at: atMs });
  for (const bench of new Set(moments.map((moment) => moment.bench))) {
    const times = moments.filter((moment) => moment.bench === bench).map(({ at }) => at);
    let last: Window | null = null;
    for (const at of times.sort((a, b) => a - b)) {
      if (last && at <= last.to) continue;
      last = await sittingAround(trx, bench, at);
      written.push(...(await deriveSitting(trx, last)));
    }
  }
  return written;
}

/** The sitting a moment lies in: from gap to gap. */
async function sittingAround(trx: Knex, bench: string | null, at: number): Promise<Window> {
  return { bench, from: await walk(trx, bench, at, 'desc'), to: await walk(trx, bench, at, 'asc') };
}

async function walk(trx: Knex, bench: string | null, start: number, direction: 'asc' | 'desc'): Promise<number> {
  let at = start;
  for (;;) {
    const rows: { atMs: number }[] = await trx('bench_event')
      .where({ bench })
      .where('atMs', direction === 'asc' ? '>' : '<', at)
      .whereNot({ kind: 'undone' })
      .orderBy('atMs', direction)
      .limit(WALKED_AT_ONCE)
      .select('atMs');
    for (const row of rows) {
      if (Math.abs(row.atMs - at) > GAP_MS) return at;
      at = row.atMs;
    }
    if (rows.length < WALKED_AT_ONCE) return at;
  }
}

async function deriveSitting(trx: Knex, { bench, from, to }: Window): Promise<string[]> {
  const events = (await trx('bench_event').where({ bench }).whereBetween('atMs', [from, to])).map(eventOf);
  const ids = events.map((event) => event.id);
  for (const piece of inPieces(ids))
    events.push(...(await trx('bench_event').whereIn('target', piece).where({ kind: 'undone' })).map(eventOf));
  const marked = await marksBefore(trx, events, from);
  const facts = await factsBefore(trx, events, from);
  const { stretches } = foldClock(events, { marked, knownFacts: (key) => facts.get(key) });
  return replaceRows(trx, ids, logRowsOf(stretches));
}

/** What stood on the models before a moment under the steps of these events: whatever else was painted on their units is not read. */
async function marksBefore(trx: Knex, events: readonly BenchEvent[], from: number) {
  const steps = new Set(events.flatMap(({ step }) => (step === null ? [] : idsOfStep(step))));
  const earlier: BenchEvent[] = [];
  for (const piece of inPieces([...steps]))
    earlier.push(
      ...(
        await trx('bench_event').whereIn('step', piece).whereIn('kind', ['done', 'kept', 'left-out', 'reopened']).where('atMs', '<', from)
      ).map(eventOf),
    );
  const undone = events.filter((event) => event.kind === 'undone');
  for (const piece of inPieces(earlier.map(({ id }) => id)))
    undone.push(...(await trx('bench_event').whereIn('target', piece).where({ kind: 'undone' }).where('atMs', '<', from)).map(eventOf));
  return foldMarks([...earlier, ...undone]).marks;
}

/** Facts of passes that were begun in an earlier sitting. */
async function factsBefore(trx: Knex, events: readonly BenchEvent[], from: number): Promise<Map<string, WorkFacts>> {
  const brought = new Set(events.filter((event) => event.facts !== null).map(passKeyOf));
  const wanted = new Map(
    events.flatMap((event) => {
      const key = passKeyOf(event);
      return key === null || brought.has(key) ? [] : [[key, event] as const];
    }),
  );
  const found = new Map<string, WorkFacts>();
  for (const [key, { unit, step, coat }] of wanted) {
    const row = await trx('bench_event')
      .where({ unit, step, coat })
      .where('atMs', '<', from)
      .whereNotNull('facts')
      .orderBy('atMs', 'desc')
      .first();
    if (row) found.set(key, eventOf(row).facts!);
  }
  return found;
}

async function replaceRows(trx: Knex, eventIds: readonly string[], rows: readonly IdentifiedLogRow[]): Promise<string[]> {
  const kept = new Set(rows.map((row) => row.id));
  const stored = new Map<string, Record<string, unknown>>();
  const gone: string[] = [];
  for (const piece of inPieces(eventIds))
    for (const row of await trx('time_log').whereIn('eventId', piece)) {
      if (kept.has(row.id)) stored.set(row.id, row);
      else gone.push(row.id);
    }
  for (const piece of inPieces(gone)) await trx('time_log').whereIn('id', piece).delete();
  // A tap changes the last row of a long sitting, and seldom another.
  const changed = rows
    .map((row) => ({ ...row, eventId: row.id.replace(/-open$/, '') }))
    .filter((row) => !isStored(row, stored.get(row.id)));
  // A file may have brought the row before the events came: they know better.
  for (const row of changed) await trx('time_log').insert(row).onConflict('id').merge();
  return [...gone, ...changed.map((row) => row.id)];
}

function isStored(row: object, stored: Record<string, unknown> | undefined): boolean {
  return stored !== undefined && Object.entries(row).every(([column, value]) => stored[column] === value);
}
