import { isOneOf } from '../../core/kernel/isOneOf';
import { DAY_MS, MINUTE_MS } from '../../core/kernel/timeUnits';
import { object, type InferType } from 'yup';
import { passKeyOf, type BenchEvent, type WorkFacts } from '../../core/bench/definitions';
import { benchEventSchema, checkBenchEvent, eventOf } from '../../core/formats/commission/benchEvents';
import { list } from '../../core/formats/fields';
import { InputError } from '../../core/kernel/InputError';
import { benchLine, dipFor, factsOfPass } from '../../core/bench/guide/benchLine';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';
import type { Stores } from '../stores/stores';
import { refuseOtherEvents } from './refuseOtherEvents';

export const recordEventsSchema = object({ events: list(benchEventSchema, 10_000) });

/** Clocks of devices differ by less. */
const AHEAD_MS = MINUTE_MS;

/** Writes bench events down, each once however often it is sent. Answers when they are on the disk. */
export async function recordEvents(
  stores: Stores,
  input: InferType<typeof recordEventsSchema>,
  now: Date,
): Promise<{ recorded: string[] }> {
  // Whoever taps here taps at this bench.
  const sent = input.events.map((event) => ({ ...eventOf(event), bench: null }));
  const events = notAhead(sent, now);
  events.forEach((event, index) => checkBenchEvent(event, `events[${index}]`));
  await checkUnits(stores, events);
  await refuseOtherEvents(stores, events);
  const told = new Map(sent.flatMap(({ id, at }, index) => (events[index]!.at === at ? [] : [[id, at]])));
  await stores.bench.add(await withFacts(stores, events, now), now.toISOString(), told);
  return { recorded: events.map((event) => event.id) };
}

/** Taps of one device that lie further apart were told by its clock before and after it was set. */
const OTHER_CLOCK_MS = 30 * DAY_MS;

/**
 * Nobody taps in the future: a device whose clock is ahead is taken back by as much, so that the time between its taps stays. What
 * lies far from all others is taken back by itself: a year 9999 spoils no other time.
 */
function notAhead(events: BenchEvent[], now: Date): BenchEvent[] {
  const times = events.map(({ at }) => Date.parse(at)).sort((a, b) => a - b);
  /** The last moment told by the same setting of the clock. */
  const lastOf = (at: number) => times.find((time, place) => time >= at && !(times[place + 1]! - time <= OTHER_CLOCK_MS))!;
  return events.map((event) => {
    const ahead = lastOf(Date.parse(event.at)) - now.getTime();
    if (ahead <= AHEAD_MS) return event;
    const moved = (at: string) => new Date(Date.parse(at) - ahead).toISOString();
    return { ...event, at: moved(event.at), readyAt: event.readyAt && moved(event.readyAt) };
  });
}

async function checkUnits(stores: Pick<Stores, 'commissions'>, events: readonly BenchEvent[]): Promise<void> {
  const known = await stores.commissions.unitNames([...new Set(events.flatMap((event) => event.unit ?? []))]);
  events.forEach((event, index) => {
    if (event.unit !== null && !known.has(event.unit))
      throw new InputError(`events[${index}].unit`, event.unit, 'name a unit that is in this data folder');
  });
}

/** Work that brings no facts, and of which none are known, is begun with today's. */
async function withFacts(stores: Stores, events: BenchEvent[], now: Date): Promise<BenchEvent[]> {
  const brought = new Set(events.filter((event) => event.facts !== null).map(passKeyOf));
  const bare = events.filter((event) => isOneOf(event.kind, 'started', 'done', 'touched-up') && !brought.has(passKeyOf(event)));
  if (bare.length === 0) return events;
  const known = await stores.bench.passesWithFacts(bare.map((event) => event.unit!));
  if (bare.every((event) => known.has(passKeyOf(event)!))) return events;
  const facts = await todaysFacts(stores, new Set(bare.map((event) => event.unit!)), now);
  return events.map((event) => {
    const key = passKeyOf(event);
    return bare.includes(event) && !known.has(key!) ? { ...event, facts: facts(key!, event.models[0]) } : event;
  });
}

async function todaysFacts(
  stores: Stores,
  unitIds: ReadonlySet<string>,
  now: Date,
): Promise<(passKey: string, model: number | undefined) => WorkFacts | null> {
  const workshop = await loadWorkshop(stores, now);
  const roster = rosterOf(
    workshop,
    workshop.units.filter((unit) => unitIds.has(unit.id)),
  );
  const line = benchLine(roster, []);
  const units = new Map(line.units.map((unit) => [unit.id, unit]));
  const passes = new Map(line.passes.map((pass) => [pass.key, pass]));
  return (passKey, model) => {
    const pass = passes.get(passKey);
    if (!pass) return null;
    const dip = dipFor(pass, model);
    return factsOfPass(pass, dip, units.get(pass.unitId)!, roster.paints.get(dip.potId ?? '')?.name ?? null);
  };
}
