import { ulid } from 'ulid';
import { lineSessions } from '../../src/core/plan/dates/lineSessions';
import type { BenchEvent, BenchEventKind } from '../../src/core/bench/definitions';
import { SITTING_GAP_MINUTES } from '../../src/core/bench/replay/foldClock';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import { carryOver } from '../../src/core/line/hand/carryOver';
import { compileLine } from '../../src/core/line/problem/compileLine';
import { timeOrder } from '../../src/core/line/timing/timeOrder';
import { DEFAULT_TERMS } from '../../src/core/money/definitions';
import { buildLine, type BuiltLine } from '../../src/core/plan/build/buildLine';
import { TECHNIQUES } from '../../src/core/scheme/model/techniques';
import { type Size } from '../../src/core/scheme/model/definitions';
import { lineFigures, shareMinutes } from '../../src/core/plan/build/lineFigures';
import type { JobInfo } from '../../src/core/plan/build/lineJobs';
import { schemeOfStarter, startersFor } from '../../src/core/scheme/authoring/starters';
import { wholeCommission } from '../../src/core/plan/selection';
import type { HouseRules } from '../../src/core/scheme/model/houseRules';
import { recordEvents } from '../../src/server/bench/recordEvents';
import { closeCommission } from '../../src/server/intake/lifecycle';
import { createCommission } from '../../src/server/intake/createCommission';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { loadLine } from '../../src/server/plan/loadLine';
import { keepQuote } from '../../src/server/money/quotes';
import { saveTerms } from '../../src/server/money/terms';
import { learnSpreads } from '../../src/server/ledger/learnSpreads';
import { chooseUnits } from '../../src/server/workshop/choice';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';
import { rosterOf } from '../../src/server/workshop/roster';
import type { Stores } from '../../src/server/stores/stores';
import { testDatabase } from '../../test/support/database';
import type { Random } from '../../test/support/random';
import { MadeUpHands, mixedRandom, type Painter } from './madeUpLogs';

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
const RATE_MINOR = 2400;

/** A commission that was quoted, painted and paid. */
export interface Painted {
  /** Rows in the log when it was quoted. */
  rowsBefore: number;
  quotedMinor: number;
  /** What its hours came to at the rate. */
  actualMinor: number;
  likelyMinutes: number;
  actualMinutes: number;
}

/**
 * A painter's commissions one after the other through the whole program: units with schemes, a quote at the chance given, the line as
 * it is suggested, every tap at the bench by the painter's true times and true set-ups, the log learned from, the next one quoted. An
 * interruption is in the log as the clock showed it, and not in the hours that are paid.
 */
export async function paintedLife(painter: Painter, seed: number, count: number, chance: number): Promise<Painted[]> {
  const random = mixedRandom(seed);
  const hands = new MadeUpHands(painter, random, TECHNIQUES);
  const database = await testDatabase();
  const { stores } = database;
  const steps = new Map<string, number>();
  const painted: Painted[] = [];
  let rows = 0;
  for (let number = 1; number <= count; number++) {
    const start = new Date(hands.at);
    const id = await madeUpCommission(stores, random, number, start);
    await saveTerms(stores, id, { revision: 0, terms: { ...DEFAULT_TERMS, chance } });
    const { offer } = await keepQuote(stores, id, '', start);
    const { actualMinutes, end } = await paint(stores, id, start, { painter, random, hands, steps });
    painted.push({
      rowsBefore: rows,
      quotedMinor: offer.price.totalMinor,
      actualMinor: (actualMinutes / 60) * RATE_MINOR,
      likelyMinutes: offer.price.likely,
      actualMinutes,
    });
    rows = await stores.timeLog.count();
    const learned = await learnSpreads(stores);
    if (learned) await stores.spreads.save(learned);
    await closeCommission(stores, id, { closed: true }, end);
    hands.at = end.getTime() + random.whole(1, 6) * DAY_MS;
  }
  await database.close();
  return painted;
}

const SIZES_MADE: readonly Size[] = ['foot', 'foot', 'foot', 'heavy', 'mounted', 'tiny'];

async function madeUpCommission(stores: Stores, random: Random, number: number, now: Date): Promise<string> {
  const due = new Date(now.getTime() + 60 * DAY_MS).toISOString().slice(0, 10);
  const entry = {
    name: `Commission ${number}`,
    client: 'Club',
    dueOn: due,
    standard: random.pick(['quick', 'table', 'table', 'full'] as const),
    hourlyRateMinor: RATE_MINOR,
    currency: 'EUR',
    note: '',
  };
  const { id } = await createCommission(stores, entry, now);
  const units = Array.from({ length: random.whole(1, 3) }, (_, index) => ({
    id: ulid(now.getTime()),
    name: `Unit ${index + 1}`,
    size: random.pick(SIZES_MADE),
    promised: random.whole(3, 15),
    owned: 0,
    counted: null,
    countNote: '',
    gone: [],
    late: [],
    trayByTray: false,
    goesFirst: false,
    trayLimit: random.whole(5, 10),
    holder: '',
    bits: [],
    testModel: 'none' as const,
    testedBy: null,
    linked: null,
  }));
  await saveIntake(stores, id, { revision: 1, commission: entry, units }, now);
  for (const unit of units) {
    const { scheme, paints } = schemeOfStarter(random.pick(startersFor(unit.size).slice(0, 3)), () => ulid());
    await stores.paints.addMissing(paints);
    await saveScheme(stores, unit.id, { revision: 1, scheme }, now);
  }
  return id;
}

interface TruePainter {
  painter: Painter;
  random: Random;
  hands: MadeUpHands;
  /** How units and steps differ, log minutes, by id. */
  steps: Map<string, number>;
}

/** Set-ups truly take other minutes than House rules start from. */
const trueHouse = (house: HouseRules): HouseRules => ({
  ...house,
  paintMinutes: 1.9,
  handMinutes: 0.4,
  waterMinutes: 1.2,
  fetchMinutes: 0.7,
});

/** Paints a commission by the order that is suggested, in the painter's sessions, and taps all of it. */
async function paint(stores: Stores, id: string, start: Date, { painter, random, hands, steps }: TruePainter) {
  await chooseUnits(stores, { selection: wholeCommission(id) });
  const { suggested } = await loadLine(stores, start);
  const workshop = await loadWorkshop(stores, start);
  const units = workshop.units.filter((unit) => unit.commissionId === id);
  const level = (key: string, spread: number) => {
    if (!steps.has(key)) steps.set(key, hands.differ(spread));
    return steps.get(key)!;
  };
  const sound = new Map<string, number>();
  const built = buildLine({
    ...rosterOf(workshop, units),
    house: trueHouse(workshop.house),
    minutesOf: (unit, pass, { done, models }) => {
      const key = `${pass.key} ${done}`;
      if (!sound.has(key)) {
        const { technique, coverage } = pass.step;
        const own = level(unit.id, painter.differs.unit) + level(`${unit.id} ${pass.step.id}`, painter.differs.step);
        const took = hands.paint({ technique, coverage, size: unit.size, level: own }, done, models);
        hands.rest();
        sound.set(key, took.sound / models);
      }
      return sound.get(key)!;
    },
  });
  const order = carryOver(built.problem, { order: suggested, wishes: [] }).order;
  const sessions = lineSessions(built.problem, workshop.house, start.getTime())!;
  const actualMinutes = shareMinutes(lineFigures(built, order, sessions.sessions).total);
  const events = tapsOf(built, order, sessions, () => (random.chance(painter.interrupted) ? 2 + 2 * random.uniform() : 1));
  const end = new Date(Math.max(...events.map(({ at }) => Date.parse(at))));
  for (let from = 0; from < events.length; from += 5000) await recordEvents(stores, { events: events.slice(from, from + 5000) }, end);
  return { actualMinutes, end };
}

/** Every start, model and wait of an order as it is tapped; an interrupted job shows as many times its minutes as `interruption` says. */
function tapsOf(
  built: BuiltLine,
  order: readonly string[],
  { sessions, origin }: NonNullable<ReturnType<typeof lineSessions>>,
  interruption: () => number,
): BenchEvent[] {
  const line = compileLine({ ...built.problem, sessions });
  const index = new Map(built.jobs.map((job, at) => [job.id, at]));
  const timed = timeOrder(
    line,
    order.map((job) => index.get(job)!),
  );
  if (!timed.fits) throw new Error('the sessions do not hold this commission');
  const events: BenchEvent[] = [];
  let late = 0;
  let before = -Infinity;
  const tap = (kind: BenchEventKind, minute: number, job: JobInfo | null, models: number[] = []) => {
    const at = origin + Math.round((minute + late) * MINUTE_MS);
    const [step, coat] = job ? job.passKey.split('#') : [null, null];
    const of = { unit: job?.unitId ?? null, step: step ?? null, coat: coat ? Number(coat) : null };
    events.push(wholeEvent({ id: ulid(at), kind, at: new Date(at).toISOString(), models, ...of }));
  };
  for (const id of order) {
    const at = index.get(id)!;
    const job = built.jobs[at]!;
    const more = interruption() - 1;
    for (const [offset, model] of job.models.entries()) {
      const done = timed.cellEnds[line.cellStart[at]! + offset]!;
      const begin = done - job.minutes[offset]!;
      if (begin - before > SITTING_GAP_MINUTES) {
        if (before > -Infinity) tap('ended', before, null);
        // What an interruption took is made up for before the next evening.
        late = 0;
        tap('started', begin, job);
      } else if (offset === 0) tap('started', begin, job);
      else if (begin - before > 0.01) {
        tap('paused', before, null);
        tap('resumed', begin, null);
      }
      late += more * job.minutes[offset]!;
      tap('done', done, job, [model]);
      before = done;
    }
  }
  return events;
}
