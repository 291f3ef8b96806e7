import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { type BenchEvent, type StoredEvent } from '../../core/bench/definitions';
import { SITTING_GAP_MINUTES } from '../../core/bench/replay/foldClock';
import { isEmptyRecord } from '../../core/formats/commission/commissionRecord';
import { writeCommission } from '../../core/formats/commission/commission';
import { EMPTY_SCHEME, type Paint, type Unit } from '../../core/scheme/model/definitions';
import { paintsOfScheme } from '../../core/scheme/model/pots';
import { wholeCommission } from '../../core/plan/selection';
import type { RemovedPiece } from '../../core/scheme/model/removedPiece';
import { findCommission } from '../workshop/loadWorkshop';
import { readRecord, unitOf } from './commissionRecord';
import type { Stores } from '../stores/stores';

const GAP_MS = SITTING_GAP_MINUTES * MINUTE_MS;

/** A commission with its units, schemes, the paints they use, and everything logged at the bench, as a file. */
export async function exportCommission(stores: Stores, id: string | undefined): Promise<{ name: string; text: string }> {
  const stored = await findCommission(stores, id);
  const { revision: _revision, createdAt: _createdAt, agreedAt: _agreed, closedAt, ...commission } = stored;
  const units = (await stores.commissions.units(commission.id)).map(unitOf);
  const unitIds = await stores.commissions.unitIds(commission.id);
  const record = await readRecord(stores, stored, unitIds);
  const used = usedPaints([...units, ...record.removedUnits, ...record.revisions, ...record.removedPieces.map(schemeOfPiece)]);
  const paints = (await stores.paints.list()).filter((paint) => used.has(paint.id));
  const line = await stores.workshop.ownLine(wholeCommission(commission.id));
  const judgements = (await stores.timeLog.ofCommission(commission.id))
    .filter(({ eventId, said }) => eventId !== null && said !== null && (said.verdict !== 'unsure' || said.correctedMinutes !== null))
    .map(({ id: row, said }) => ({ id: row, ...said! }));
  return {
    name: commission.name,
    text: writeCommission({
      ...commission,
      closedAt,
      paints: paints.sort(byId),
      units,
      ...ofOneBench(await eventsFor(stores, unitIds), await stores.workshop.benchId()),
      judgements,
      ...(line && { line }),
      ...(!isEmptyRecord(record) && { record }),
    }),
  };
}

const byId = (a: Paint, b: Paint) => (a.id < b.id ? -1 : 1);

/** What was taken out needs its paints to come back. */
const schemeOfPiece = ({ piece }: Pick<RemovedPiece, 'piece'>): Pick<Unit, 'scheme'> => ({
  scheme: piece.kind === 'part' ? { ...EMPTY_SCHEME, parts: [piece.part] } : { ...EMPTY_SCHEME, allOver: [piece.step] },
});

const usedPaints = (units: readonly Pick<Unit, 'scheme'>[]) => new Set(units.flatMap((unit) => [...paintsOfScheme(unit.scheme)]));

/**
 * The events of these units, and of all else in their sittings what moves the clock: breaks whole, work on other commissions as
 * bare times. So the minutes come out the same wherever the file is opened.
 */
async function eventsFor(stores: Pick<Stores, 'bench'>, unitIds: string[]): Promise<BenchEvent[]> {
  const own = new Set(unitIds);
  const events = new Map<string, StoredEvent>();
  const until = new Map<string | null, number>();
  for (const event of inOrder(await stores.bench.ofUnits(unitIds))) {
    events.set(event.id, event);
    const at = Date.parse(event.at);
    const known = until.get(event.bench) ?? -Infinity;
    if (at + GAP_MS <= known) continue;
    for (const other of await stores.bench.between(event.bench, Math.max(known, at - GAP_MS), at + GAP_MS)) {
      if (other.unit === null || own.has(other.unit)) events.set(other.id, other);
      else if (CLOCK_KINDS.includes(other.kind)) events.set(other.id, bareTime(other));
    }
    until.set(event.bench, at + GAP_MS);
  }
  return inOrder([...events.values()]).map(({ seq: _seq, receivedAt: _received, ...event }): BenchEvent => event);
}

/** The bench that most begins with is said once; events of another one say theirs themselves. */
function ofOneBench(events: BenchEvent[], here: string): { bench?: string; events: BenchEvent[] } {
  const benchOf = (event: BenchEvent) => event.bench ?? here;
  const [first] = events;
  if (!first) return { events };
  const bench = benchOf(first);
  return { bench, events: events.map((event) => ({ ...event, bench: benchOf(event) === bench ? null : benchOf(event) })) };
}

const CLOCK_KINDS: readonly BenchEvent['kind'][] = ['started', 'done', 'touched-up', 'undone', 'elsewhere'];

const inOrder = <E extends BenchEvent>(events: E[]): E[] =>
  events.sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1));

const bareTime = (event: StoredEvent): StoredEvent => ({
  ...event,
  // An undoing keeps its target, so that what it undoes does not move the clock.
  kind: event.kind === 'undone' ? 'undone' : 'elsewhere',
  unit: null,
  step: null,
  coat: null,
  models: [],
  minutes: null,
  readyAt: null,
  fetchMinutes: null,
  facts: null,
  note: '',
});
