import { isWaiting } from '../../core/scheme/model/definitions';
import { DAY_MS } from '../../core/kernel/timeUnits';
import type { BenchJob } from '../../core/bench/guide/benchLine';
import { foldClock } from '../../core/bench/replay/foldClock';
import { foldMarks } from '../../core/bench/replay/foldMarks';
import { compactEvent } from '../../core/formats/commission/benchEvents';
import { benchSessions } from '../../core/plan/dates/benchSessions';
import type { Roster } from '../../core/plan/build/roster';
import { packMarks, type BenchPicture } from '../../contract/bench';
import type { BenchOrder } from '../../core/bench/benchOrder';
import type { StoredEvent } from '../../core/bench/definitions';
import { chosenUnits } from '../workshop/choice';
import { loadWorkshop, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';
import { lineOnBench } from './lineOnBench';
import { replacedLine } from '../workshop/replacedLine';
import { loadFigures } from './loadFigures';
import type { Stores } from '../stores/stores';

/** So many of the latest events go along, for undo; what stood before them goes as marks. */
const EVENTS_SENT = 120;
/** Enough of those before to know where the clock stood. */
const EVENTS_BEFORE = 300;

/** The line on the bench as it is today; null when nothing is on it, or nothing of it is open any more. */
export async function loadBench(stores: Stores, now: Date): Promise<BenchPicture | null> {
  const order = await stores.workshop.bench();
  if (!order) return null;
  const workshop = await loadWorkshop(stores, now);
  const units = chosenUnits(workshop, order.selection);
  // They may have been handed over or deleted since.
  if (units.length === 0) return null;
  const roster = rosterOf(workshop, units);
  const { line, changes } = await todaysLine(workshop, units, roster, order);
  const paintIds = new Set(line.jobs.map((job) => job.paintId));
  return {
    line,
    // Any paint of the shelf may take the place of one that has run out.
    paints: [...roster.paints.values()].filter(({ id }) => paintIds.has(id) || workshop.paints.has(id)),
    pictures: (await stores.pictures.ofUnits(units.map((unit) => unit.id))).filter(({ kind }) => kind !== 'inspection'),
    house: workshop.house,
    sessions: benchSessions(workshop.house, now.getTime() - DAY_MS, now.getTime() + 7 * DAY_MS).filter(
      (session) => session.to > now.getTime(),
    ),
    now: now.getTime(),
    laidAt: order.laidAt,
    changes,
    replaced: replacedLine(workshop, order),
    ...(await recentPast(
      stores,
      units.map((unit) => unit.id),
    )),
    ...(await loadFigures(stores, now)),
    waitingUnits: units.filter(isWaiting).map((unit) => unit.name),
  };
}

/** The order laid over today's schemes, counts and trays, and what has come and gone since it was laid. */
async function todaysLine(workshop: Workshop, units: WorkUnit[], roster: Roster, order: BenchOrder) {
  const line = await lineOnBench(workshop, units, roster, order);
  const known = new Set(order.order);
  const there = new Set(line.jobs.map((job) => job.id));
  const isPainted = ({ passKey, models }: BenchJob) => models.every((model) => workshop.marks.marks.get(passKey)?.has(model));
  const changes = {
    added: line.jobs.filter((job) => !known.has(job.id) && !isPainted(job)).length,
    gone: order.order.filter((id) => !there.has(id)).length,
  };
  return { line, changes };
}

/** The latest events of the whole bench, and what stood on these units and on the clock before them. */
async function recentPast(stores: Stores, unitIds: string[]): Promise<Pick<BenchPicture, 'before' | 'events' | 'seq'>> {
  const seq = await stores.bench.lastSeq();
  const latest = await stores.bench.latest(EVENTS_SENT + EVENTS_BEFORE);
  const events = latest.slice(-EVENTS_SENT);
  const sent = new Set(events.map((event) => event.id));
  const ofUnits = await stores.bench.ofUnits(unitIds);
  // What is undone later never stood there.
  const isBefore = (event: StoredEvent) => !sent.has(event.id) || event.kind === 'undone';
  return {
    before: {
      marks: packMarks(foldMarks(ofUnits.filter(isBefore))),
      clock: foldClock(latest.filter(isBefore)).clock,
    },
    events: events.map(({ seq: _seq, receivedAt: _received, ...event }) => compactEvent(event)),
    seq,
  };
}
