import { mixed } from 'yup';
import type { BenchEvent } from '../../core/bench/definitions';
import { SITTING_GAP_MINUTES } from '../../core/bench/foldClock';
import { readCommission, writeCommission } from '../../core/formats/commission';
import type { Paint, Unit } from '../../core/scheme/definitions';
import { wholeCommission } from '../../core/views/selection';
import type { StoredEvent } from '../../core/views/stored';
import { ConflictError } from '../errors';
import { findCommission } from '../workshop/loadWorkshop';
import type { Stores } from '../stores';

/** The file is read by the format's own reader, so the door only asks for JSON. */
export const anyJson = mixed().defined();

const GAP_MS = SITTING_GAP_MINUTES * 60_000;

/** A commission with its units, schemes, the paints they use, and everything logged at the bench, as a file. */
export async function exportCommission(stores: Stores, id: string | undefined): Promise<{ name: string; text: string }> {
  const { revision: _revision, createdAt: _createdAt, closedAt, ...commission } = await findCommission(stores, id);
  const units = (await stores.commissions.units(commission.id)).map(
    ({ commissionId: _commission, schemeRevision: _scheme, ...unit }): Unit => unit,
  );
  const used = usedPaints(units);
  const paints = (await stores.paints.list()).filter((paint) => used.has(paint.id));
  const line = await stores.workshop.ownLine(wholeCommission(commission.id));
  const judgements = (await stores.timeLog.ofCommission(commission.id))
    .filter((row) => row.eventId !== null && (row.verdict !== 'unsure' || row.correctedMinutes !== null))
    .map(({ id: row, verdict, correctedMinutes }) => ({ id: row, verdict, correctedMinutes }));
  return {
    name: commission.name,
    text: writeCommission({
      ...commission,
      closedAt,
      paints: paints.sort(byId),
      units,
      ...ofOneBench(await eventsFor(stores, await stores.commissions.unitIds(commission.id)), await stores.workshop.benchId()),
      judgements,
      ...(line && { line }),
    }),
  };
}

const byId = (a: Paint, b: Paint) => (a.id < b.id ? -1 : 1);

const usedPaints = (units: Unit[]) =>
  new Set(
    units.flatMap((unit) => [...unit.scheme.parts.flatMap((part) => part.steps), ...unit.scheme.allOver]).map((step) => step.paintId),
  );

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
  facts: null,
  note: '',
});

/** Takes a commission file in. Refused when its commission is here already; paints on the shelf stay as they are. */
export async function importCommission(stores: Stores, value: unknown, now: Date): Promise<{ id: string; paintsKept: string[] }> {
  const { format: _format, paints, units, bench, events, judgements, line, closedAt, ...commission } = readCommission(value);
  if (await stores.commissions.find(commission.id)) {
    throw new ConflictError(
      `"${commission.name}" is here already: open it instead, or give the file, its units, parts and steps other ids.`,
    );
  }
  const taken = await stores.commissions.unitsElsewhere(
    units.map((unit) => unit.id),
    commission.id,
  );
  if (taken.length > 0)
    throw new ConflictError(`The unit ids ${taken.join(', ')} belong to another commission: give the units of the file other ids.`);
  const shelf = new Map((await stores.paints.list()).map((paint) => [paint.id, paint]));
  await stores.paints.addMissing(paints);
  await stores.commissions.insert(commission, now.toISOString(), closedAt);
  await stores.commissions.saveIntake(commission, units, 1);
  for (const unit of units) await stores.commissions.saveScheme(unit.id, unit.scheme, 1, now.toISOString());
  if (line) await stores.workshop.saveOwnLine(wholeCommission(commission.id), line);
  await stores.timeLog.saveJudgements(judgements);
  const here = await stores.workshop.benchId();
  const from = (event: BenchEvent) => event.bench ?? bench ?? here;
  await stores.bench.add(
    events.map((event) => ({ ...event, bench: from(event) === here ? null : from(event) })),
    now.toISOString(),
  );
  return { id: commission.id, paintsKept: paints.filter((paint) => differs(paint, shelf.get(paint.id))).map((paint) => paint.name) };
}

const differs = (paint: Paint, known: Paint | undefined) =>
  known !== undefined && JSON.stringify({ ...paint }) !== JSON.stringify({ ...known });
