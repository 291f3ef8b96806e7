import type { Knex } from 'knex';
import type { BenchEvent } from '../core/bench/definitions';
import type { StoredEvent } from '../core/views/stored';
import { deriveLog } from './deriveLog';
import { eventOf, rowOf, type EventRow } from './eventRows';
import { inPieces } from './inPieces';
import { logCacheOf } from './logCache';

/** The one stream of bench events. Events are only ever added. */
export class BenchStore {
  constructor(private readonly db: Knex) {}

  /**
   * Adds events, each once by its id; where only the time of one was known, what is told now replaces that. The time log rows of
   * the sittings concerned are worked out anew in the same transaction.
   */
  async add(events: readonly BenchEvent[], receivedAt: string): Promise<void> {
    const written = await this.db.transaction(async (trx) => {
      const fresh = await write(trx, await ofKnownUnits(trx, events), receivedAt);
      return deriveLog(trx, fresh);
    });
    logCacheOf(this.db).touch(written);
  }

  /** Works the whole log out anew, sitting by sitting. */
  async deriveAll(): Promise<void> {
    await this.db.transaction(async (trx) => deriveLog(trx, await this.allOf(trx)));
    logCacheOf(this.db).forget();
  }

  /** Those of these events that are here, by id. */
  async withIds(ids: readonly string[]): Promise<Map<string, StoredEvent>> {
    const found = new Map<string, StoredEvent>();
    for (const piece of inPieces(ids))
      for (const row of await this.db<EventRow>('bench_event').whereIn('id', piece)) found.set(row.id, eventOf(row));
    return found;
  }

  async ofUnits(unitIds: readonly string[]): Promise<StoredEvent[]> {
    const rows: EventRow[] = [];
    for (const piece of inPieces(unitIds)) rows.push(...(await this.db<EventRow>('bench_event').whereIn('unit', piece)));
    return rows.sort((a, b) => a.seq - b.seq).map(eventOf);
  }

  /** Number of the last event that names each of these units; units that none names are left out. */
  async lastSeqOf(unitIds: readonly string[]): Promise<Map<string, number>> {
    const last = new Map<string, number>();
    for (const piece of inPieces(unitIds))
      for (const row of await this.db('bench_event').whereIn('unit', piece).groupBy('unit').select('unit', this.db.raw('max(seq) AS seq')))
        last.set(row.unit as string, row.seq as number);
    return last;
  }

  /** Units that were painted with one of these paints or mixes at any time. */
  async unitsPaintedWith(potIds: readonly string[]): Promise<string[]> {
    const rows: { unit: string }[] = await this.db('bench_event')
      .whereRaw(`json_extract(facts, '$.paintId') IN (${potIds.map(() => '?').join(', ')})`, potIds)
      .distinct('unit');
    return rows.map((row) => row.unit);
  }

  /** Passes of these units of which some event brings the facts. */
  async passesWithFacts(unitIds: readonly string[]): Promise<Set<string>> {
    const keys = new Set<string>();
    for (const piece of inPieces([...new Set(unitIds)]))
      for (const row of await this.db('bench_event').whereIn('unit', piece).whereNotNull('facts').distinct('step', 'coat'))
        keys.add(`${row.step}#${row.coat}`);
    return keys;
  }

  async after(seq: number, most: number): Promise<StoredEvent[]> {
    return (await this.db<EventRow>('bench_event').where('seq', '>', seq).orderBy('seq').limit(most)).map(eventOf);
  }

  /** The last events of this bench by the clock, in its order. */
  async latest(most: number): Promise<StoredEvent[]> {
    const rows = await this.db<EventRow>('bench_event')
      .whereNull('bench')
      .orderBy([
        { column: 'atMs', order: 'desc' },
        { column: 'id', order: 'desc' },
      ])
      .limit(most);
    return rows.reverse().map(eventOf);
  }

  /** Events of one bench between two moments (UTC ms), in the order of the clock. */
  async between(bench: string | null, fromMs: number, toMs: number): Promise<StoredEvent[]> {
    return (await this.db<EventRow>('bench_event').where({ bench }).whereBetween('atMs', [fromMs, toMs]).orderBy(['atMs', 'id'])).map(
      eventOf,
    );
  }

  /** When the last tap at this bench was, UTC ms; null when there was none. */
  async lastAt(): Promise<number | null> {
    const row = await this.db('bench_event').whereNull('bench').max({ at: 'atMs' }).first();
    return (row?.['at'] as number | null | undefined) ?? null;
  }

  /**
   * Brings events of this bench that lie further in the future than `from` (UTC ms) back before `now`: a clock was far ahead
   * when they were tapped. The time between them stays as it was.
   */
  async bringBack(from: number, now: number): Promise<void> {
    const written = await this.db.transaction(async (trx) => {
      const ahead = await trx<EventRow>('bench_event').whereNull('bench').where('atMs', '>', from).orderBy('atMs');
      const shift = now - ahead.at(-1)!.atMs - 1;
      const moved = (at: string) => new Date(Date.parse(at) + shift).toISOString();
      for (const { id, at, atMs, readyAt } of ahead)
        await trx('bench_event')
          .where({ id })
          .update({ at: moved(at), atMs: atMs + shift, readyAt: readyAt && moved(readyAt), toldAt: at });
      return deriveLog(
        trx,
        ahead.map((row) => ({ ...eventOf(row), at: moved(row.at) })),
      );
    });
    logCacheOf(this.db).touch(written);
  }

  async lastSeq(): Promise<number> {
    const row = await this.db('bench_event').max({ seq: 'seq' }).first();
    return (row?.['seq'] as number | null) ?? 0;
  }

  private async allOf(db: Knex): Promise<StoredEvent[]> {
    return (await db<EventRow>('bench_event').orderBy('seq')).map(eventOf);
  }
}

const WRITTEN_AT_ONCE = 100;

/** Answers with those that were not known before, or known by no more than their time. */
async function write(trx: Knex, events: readonly BenchEvent[], receivedAt: string): Promise<BenchEvent[]> {
  const byId = new Map(events.map((event) => [event.id, event]));
  const rows = [...byId.values()].map((event) => rowOf(event, receivedAt));
  const known = new Map<string, string>();
  for (const piece of inPieces(rows.map((row) => row.id)))
    for (const row of await trx('bench_event').whereIn('id', piece).select('id', 'kind')) known.set(row.id as string, row.kind as string);
  const fresh = rows.filter((row) => !known.has(row.id));
  for (let at = 0; at < fresh.length; at += WRITTEN_AT_ONCE) await trx('bench_event').insert(fresh.slice(at, at + WRITTEN_AT_ONCE));
  const told = rows.filter((row) => known.get(row.id) === 'elsewhere' && row.kind !== 'elsewhere');
  for (const row of told) await trx('bench_event').where({ id: row.id }).update(row);
  return [...fresh, ...told].map((row) => byId.get(row.id)!);
}

/** An undoing concerns the unit that the undone event names. */
async function ofKnownUnits(trx: Knex, events: readonly BenchEvent[]): Promise<BenchEvent[]> {
  const units = new Map(events.map((event) => [event.id, event.unit]));
  const targets = events.flatMap((event) => (event.target !== null && !units.has(event.target) ? [event.target] : []));
  for (const piece of inPieces(targets))
    for (const row of await trx<EventRow>('bench_event').whereIn('id', piece).select('id', 'unit')) units.set(row.id, row.unit);
  return events.map((event) => (event.kind === 'undone' ? { ...event, unit: units.get(event.target!) ?? event.unit } : event));
}
