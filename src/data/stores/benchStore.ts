import { coatKey } from '../../core/kernel/ids';
import type { Knex } from 'knex';
import { type BenchEvent, type StoredEvent } from '../../core/bench/definitions';
import { movedBackBy, type TapsAround } from '../../core/bench/replay/doubtedClock';
import type { ClockCorrection } from '../../core/bench/clockCorrection';
import { deriveLog } from '../log/deriveLog';
import { eventOf, rowOf, type EventRow } from '../log/eventRows';
import { inPieces } from '../file/inPieces';
import { LogCache } from '../log/LogCache';

/** The one stream of bench events. Events are only ever added. */
export class BenchStore {
  /** `log`: what is known of the log, shared by the stores that write it. */
  constructor(
    private readonly db: Knex,
    private readonly log = new LogCache(),
  ) {}

  /**
   * Adds events, each once by its id; where only the time of one was known, what is told now replaces that. The time log rows of
   * the sittings concerned are worked out anew in the same transaction. `told` has the times of those that were told otherwise.
   */
  async add(events: readonly BenchEvent[], receivedAt: string, told: ReadonlyMap<string, string> = new Map()): Promise<void> {
    const written = await this.db.transaction(async (trx) => {
      const fresh = await write(trx, await ofKnownUnits(trx, events), receivedAt, told);
      return deriveLog(trx, fresh);
    });
    this.log.touch(written);
  }

  /** Works the whole log out anew, sitting by sitting. */
  async deriveAll(): Promise<void> {
    await this.db.transaction(async (trx) => deriveLog(trx, await this.allOf(trx)));
    this.log.forget();
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

  /** Units that something was painted on after a moment (UTC ISO 8601), whatever became of them. */
  async unitsPaintedSince(moment: string): Promise<string[]> {
    const rows: { unit: string }[] = await this.db('bench_event')
      .where('atMs', '>', Date.parse(moment))
      .where({ kind: 'done' })
      .whereNotNull('unit')
      .distinct('unit');
    return rows.map((row) => row.unit);
  }

  /** Units on which anything was ever touched up. */
  async unitsTouchedUp(): Promise<string[]> {
    const rows: { unit: string }[] = await this.db('bench_event').where({ kind: 'touched-up' }).whereNotNull('unit').distinct('unit');
    return rows.map((row) => row.unit);
  }

  /** Passes of these units of which some event brings the facts. */
  async passesWithFacts(unitIds: readonly string[]): Promise<Set<string>> {
    const keys = new Set<string>();
    for (const piece of inPieces([...new Set(unitIds)]))
      for (const row of await this.db('bench_event').whereIn('unit', piece).whereNotNull('facts').distinct('step', 'coat'))
        keys.add(coatKey(row.step as string, row.coat as number));
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

  /** Taps of this bench around a moment (UTC ms); null when there is none. */
  async tapsAround(now: number): Promise<TapsAround | null> {
    const ours = () => this.db('bench_event').whereNull('bench');
    const last = await this.lastAt();
    if (last === null) return null;
    const [{ before }] = (await ours().where('atMs', '<=', now).max({ before: 'atMs' })) as [{ before: number | null }];
    const [{ ahead }] = (await ours().where('atMs', '>', now).min({ ahead: 'atMs' })) as [{ ahead: number | null }];
    return { last, before, ahead };
  }

  /**
   * Brings events of this bench that lie in the future back before `now` (UTC ms): a clock was ahead when they were tapped. The time
   * between them stays as it was, and so do all others; what was told is kept.
   */
  async bringBack(id: string, now: number): Promise<void> {
    const around = await this.tapsAround(now);
    if (around === null || around.ahead === null) return;
    const { ahead } = around;
    const movedByMs = movedBackBy({ ...around, ahead }, now);
    await this.moving(async (trx) => {
      const seq = (await trx('bench_event').max({ seq: 'seq' }).first())?.['seq'] as number;
      await trx('clock_correction').insert({ id, madeAt: new Date(now).toISOString(), movedByMs, seq });
      return shift(trx, await trx<EventRow>('bench_event').whereNull('bench').where('atMs', '>=', ahead), movedByMs, id);
    });
  }

  /** The run in which the last correction was made is over: what is tapped now is told by another clock. */
  async endCorrectedRun(): Promise<void> {
    const seq = await this.lastSeq();
    await this.db('clock_correction').whereNull('untilSeq').update({ untilSeq: seq });
  }

  /**
   * The last correction, if nobody has looked at it since, and the last moment that it would be if it were taken back (UTC ms): of
   * what was moved, and of what was tapped behind it.
   */
  async doubtfulCorrection(): Promise<{ id: string; lastAt: number } | null> {
    const last = await this.db<CorrectionRow>('clock_correction')
      .where({ isSure: false })
      .whereNull('takenBackAt')
      .orderBy('id', 'desc')
      .first();
    return last ? { id: last.id, lastAt: (await this.lastAt())! - last.movedByMs } : null;
  }

  /** The clock was ahead indeed. */
  async confirmCorrection(id: string): Promise<void> {
    await this.db('clock_correction').where({ id }).update({ isSure: true });
  }

  /** Corrections that stand and may still be wrong, the latest first. */
  async corrections(): Promise<ClockCorrection[]> {
    const rows = await this.db<CorrectionRow>('clock_correction').where({ isSure: false }).whereNull('takenBackAt').orderBy('id', 'desc');
    const found: ClockCorrection[] = [];
    for (const { id, madeAt, movedByMs } of rows) {
      const [count] = (await this.db('bench_event').where({ movedBy: id }).count({ taps: '*' })) as { taps: number }[];
      found.push({ id, madeAt, movedByMs, taps: count!.taps });
    }
    return found;
  }

  /**
   * The clock was behind when it was believed: what was moved goes back to where it was told, and what was tapped in that run comes
   * behind it. False when there is no such correction.
   */
  async takeBackCorrection(id: string, takenBackAt: string): Promise<boolean> {
    const correction = await this.db<CorrectionRow>('clock_correction').where({ id }).whereNull('takenBackAt').first();
    if (!correction) return false;
    await this.moving(async (trx) => {
      const { movedByMs, seq, untilSeq } = correction;
      await trx('clock_correction').where({ id }).update({ takenBackAt });
      const moved = await trx<EventRow>('bench_event').where({ movedBy: id });
      const since = await trx<EventRow>('bench_event')
        .whereNull('bench')
        .where('seq', '>', seq)
        .where('seq', '<=', untilSeq ?? Number.MAX_SAFE_INTEGER);
      return shift(trx, [...moved, ...since], -movedByMs, null);
    });
    return true;
  }

  private async moving(work: (trx: Knex) => Promise<BenchEvent[]>): Promise<void> {
    const written = await this.db.transaction(async (trx) => deriveLog(trx, await work(trx)));
    this.log.touch(written);
  }

  async lastSeq(): Promise<number> {
    const row = await this.db('bench_event').max({ seq: 'seq' }).first();
    return (row?.['seq'] as number | null) ?? 0;
  }

  private async allOf(db: Knex): Promise<StoredEvent[]> {
    return (await db<EventRow>('bench_event').orderBy('seq')).map(eventOf);
  }
}

interface CorrectionRow {
  id: string;
  madeAt: string;
  movedByMs: number;
  seq: number;
  untilSeq: number | null;
  isSure: boolean;
  takenBackAt: string | null;
}

/** Moves events by so much; what was told first is kept. Answers with them where they were and where they are. */
async function shift(trx: Knex, rows: readonly EventRow[], byMs: number, movedBy: string | null): Promise<BenchEvent[]> {
  const moved = (at: string) => new Date(Date.parse(at) + byMs).toISOString();
  const where: BenchEvent[] = [];
  for (const row of rows) {
    const next = { at: moved(row.at), atMs: row.atMs + byMs, readyAt: row.readyAt && moved(row.readyAt) };
    const told = row.toldAt ?? row.at;
    await trx('bench_event')
      .where({ id: row.id })
      .update({ ...next, toldAt: told === next.at ? null : told, movedBy });
    where.push(eventOf(row), { ...eventOf(row), at: next.at });
  }
  return where;
}

const WRITTEN_AT_ONCE = 100;

/** Answers with those that were not known before, or known by no more than their time. */
async function write(
  trx: Knex,
  events: readonly BenchEvent[],
  receivedAt: string,
  toldAt: ReadonlyMap<string, string>,
): Promise<BenchEvent[]> {
  const byId = new Map(events.map((event) => [event.id, event]));
  const rows = [...byId.values()].map((event) => ({ ...rowOf(event, receivedAt), toldAt: toldAt.get(event.id) ?? null }));
  const known = new Map<string, Pick<EventRow, 'kind' | 'unit'>>();
  for (const piece of inPieces(rows.map((row) => row.id)))
    for (const row of await trx<EventRow>('bench_event').whereIn('id', piece).select('id', 'kind', 'unit')) known.set(row.id, row);
  const fresh = rows.filter((row) => !known.has(row.id));
  for (let at = 0; at < fresh.length; at += WRITTEN_AT_ONCE) await trx('bench_event').insert(fresh.slice(at, at + WRITTEN_AT_ONCE));
  // Of an event of other work only the time was known, of its undoing not even whose it was.
  const isBare = ({ kind, unit }: Pick<EventRow, 'kind' | 'unit'>) => kind === 'elsewhere' || (kind === 'undone' && unit === null);
  const told = rows.filter((row) => known.has(row.id) && isBare(known.get(row.id)!) && !isBare(row));
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
