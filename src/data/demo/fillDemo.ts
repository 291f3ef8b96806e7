import { DAY_MS, MINUTE_MS } from '../../core/kernel/timeUnits';
import type { Knex } from 'knex';
import { localDay } from '../../core/kernel/localDay';
import { wholeCommission } from '../../core/plan/selection';
import { allAtOnce } from '../../core/kernel/steps';
import { learnSpreadsOf } from '../../core/time/learn/fitTimeModel';
import { learnedFrom } from '../../core/time/learn/learnedFrom';
import { writeScheme } from '../../core/formats/scheme/schemeFile';
import { newTechnique } from '../../core/scheme/authoring/ownTechnique';
import { EMPTY_SCHEME, modelsOf, type Paint, type Unit } from '../../core/scheme/model/definitions';
import type { Commission } from '../../core/commission/definitions';
import { DEFAULT_HOUSE_RULES, type HouseRules } from '../../core/scheme/model/houseRules';
import { BenchStore } from '../stores/benchStore';
import { CommissionStore } from '../stores/commissionStore';
import type { OpenedDatabase } from '../database';
import { FinishingStore } from '../stores/finishingStore';
import { HouseRulesStore } from '../stores/houseRulesStore';
import { LibraryStore } from '../stores/libraryStore';
import { PaintStore } from '../stores/paintStore';
import { UNSAVED } from '../file/revisions';
import { SpreadStore } from '../stores/spreadStore';
import { TimeLogStore } from '../stores/timeLogStore';
import { WorkshopStore } from '../stores/workshopStore';
import { paintHistory } from './benchHistory';
import { earlierLog } from './earlierLog';
import { demoPots, withPaintwork } from './paintwork';
import { demoPaints } from './paints';
import { DemoRandom } from './random';
import { finishedEnd, finishedEvents } from './finished';
import { CHESS_CLUB, demoUnit, MARKET_SQUARE, REGATTA, TIDE_COAST } from './units';

const SEED = 20261123;

const HOUSE: HouseRules = {
  ...DEFAULT_HOUSE_RULES,
  dryBrushes: 2,
  brushes: ['Round 2', 'Round 1', 'Worn flat'],
  levels: [
    { name: 'Crowd', minutes: 12 },
    { name: 'Market day', minutes: 16 },
    { name: 'Show case', minutes: 40 },
  ],
  techniques: [
    { ...newTechnique('demo-salt-stain', 'Salt stain', 'streak'), moment: 'weather', effort: 0.7, dryMinutes: 20, brush: 'Worn flat' },
  ],
};

/** Prices a commission that nothing is painted of yet, and has the quote accepted. */
export type DemoQuote = (knex: Knex, commissionId: string, at: Date) => Promise<void>;
const QUOTED_DAYS_BEFORE = 12;

/** The demo: four commissions at four stages, a shelf, and the log of a painter who gets faster. Dates follow `now`. */
export async function fillDemo({ knex }: Pick<OpenedDatabase, 'knex'>, now: Date, quote?: DemoQuote): Promise<void> {
  const random = new DemoRandom(SEED);
  const newId = () => random.id(now.getTime() - 20 * DAY_MS);
  const { paints, idOf } = demoPaints(newId);
  // Ids of their own: what was drawn for the log and the schemes stays as it is.
  const ownRandom = new DemoRandom(SEED + 1);
  const ownId = () => ownRandom.id(now.getTime() - 20 * DAY_MS);
  const { pots, levels } = demoPots(paints, idOf, now, ownId);
  const paintStore = new PaintStore(knex);
  await paintStore.addMissing(paints.map((paint) => ({ ...paint, ...pots.get(paint.id) })));
  await paintStore.addLevels(levels);
  await new HouseRulesStore(knex).save(HOUSE, UNSAVED);
  await new TimeLogStore(knex).insert(earlierLog(now, random, newId));

  const commissions: { commission: Commission; units: Unit[] }[] = [
    { commission: commissionOf('Tide coast watch', 'Ottoline Marsh, shore club', 9, newId(), now), units: TIDE_COAST },
    { commission: commissionOf('Market square', 'Saltmere town museum', 24, newId(), now), units: MARKET_SQUARE },
    { commission: commissionOf('Chess-club champions', 'Fernhollow school', 16, newId(), now), units: CHESS_CLUB },
  ].map(({ commission, units }) => ({
    commission,
    units: units.map((entry) => withPaintwork(demoUnit(entry, newId, idOf), paints, ownId, idOf)),
  }));
  for (const entry of commissions) await saveCommission(knex, entry, now);

  // Drawn for itself too.
  const lastRandom = new DemoRandom(SEED + 2);
  const lastId = () => lastRandom.id(now.getTime() - 40 * DAY_MS);
  const regatta = {
    commission: commissionOf('Regatta prizes', 'Signe Aldous, rowing club', 27, lastId(), now),
    units: REGATTA.map((entry) => demoUnit(entry, lastId, idOf)),
  };
  await saveCommission(knex, regatta, now);
  await new FinishingStore(knex).save(regatta.commission.id, finishedEnd(regatta.units, lastId), UNSAVED);

  const byId = new Map(paints.map((paint): [string, Paint] => [paint.id, paint]));
  const [coast, market] = commissions;
  await quote?.(knex, coast!.commission.id, new Date(now.getTime() - QUOTED_DAYS_BEFORE * DAY_MS));
  const history = { paints: byId, house: HOUSE, random };
  const sittings = coastSittings(now);
  const painted = paintHistory({ ...coast!, ...history, sittings });
  const testModelUnits = market!.units.filter((unit) => unit.testModel === 'waiting');
  const tested = paintHistory({ ...market!, units: testModelUnits, ...history, sittings: testModelSitting(now) });
  await new BenchStore(knex).add([...finishedEvents(regatta, now, lastId), ...tested.events, ...painted.events], now.toISOString());
  await keepSchemes(knex, coast!, paints, now);
  await learnFrom(knex);
  const workshop = new WorkshopStore(knex);
  await workshop.markDemo([...commissions, regatta].map(({ commission }) => commission.id));
  await workshop.putOnBench({
    selection: wholeCommission(coast!.commission.id),
    order: painted.order,
    wishes: [],
    laidAt: new Date(sittings[0]!.from).toISOString(),
    replaced: null,
  });
}

/** What its log teaches is known from the start: the first figures of the demo are the ones that stay. */
async function learnFrom(knex: Knex): Promise<void> {
  const log = await new TimeLogStore(knex).list();
  const rows = learnedFrom(log.length);
  const spreads = allAtOnce(learnSpreadsOf(log.slice(0, rows), new Date(log[rows - 1]!.startedAt)));
  // Nothing was touched up yet.
  await new SpreadStore(knex).save({ rows, spreads, strays: {} });
}

function commissionOf(name: string, client: string, dueInDays: number, id: string, now: Date): Commission {
  const due = new Date(now.getTime() + dueInDays * DAY_MS);
  return { id, name, client, dueOn: localDay(due), standard: 'table', hourlyRateMinor: 2400, currency: 'EUR', note: '' };
}

/** Three evenings, and the one going on: the last tap was a few minutes ago, so something is drying. */
function coastSittings(now: Date): { from: number; to: number }[] {
  const evenings = [9, 6, 4].map((daysAgo) => {
    const from = new Date(now.getTime() - daysAgo * DAY_MS).setHours(19, 0, 0, 0);
    return { from, to: from + 150 * MINUTE_MS };
  });
  return [...evenings, { from: now.getTime() - 95 * MINUTE_MS, to: now.getTime() - 4 * MINUTE_MS }];
}

function testModelSitting(now: Date): { from: number; to: number }[] {
  const from = new Date(now.getTime() - 5 * DAY_MS).setHours(9, 0, 0, 0);
  return [{ from, to: from + 9 * 60 * MINUTE_MS }];
}

async function saveCommission(
  knex: OpenedDatabase['knex'],
  { commission, units }: { commission: Commission; units: Unit[] },
  now: Date,
): Promise<void> {
  const store = new CommissionStore(knex);
  await store.insert(commission, now.toISOString());
  await store.saveIntake(commission, units, 1);
  for (const unit of units) await store.saveScheme(unit.id, unit.scheme, 1, now.toISOString());
}

/** A scheme and a recipe for bases, kept from the commission that is half painted. */
async function keepSchemes(knex: Knex, { commission, units }: { commission: Commission; units: Unit[] }, paints: Paint[], now: Date) {
  const [keepers, cutters] = units;
  const library = new LibraryStore(knex);
  const ground = cutters!.scheme.parts.at(-1)!;
  for (const { unit, name, kind, scheme } of [
    { unit: keepers!, name: 'Lamp keeper, tide-washed', kind: 'scheme' as const, scheme: keepers!.scheme },
    { unit: cutters!, name: 'Mudflat base', kind: 'base recipe' as const, scheme: { ...EMPTY_SCHEME, parts: [ground] } },
  ]) {
    const file = writeScheme({ name, size: unit.size, models: modelsOf(unit), standard: commission.standard, paints, scheme });
    await library.insert({ id: `library-${unit.id}`, name, kind, savedAt: now.toISOString(), fromUnit: unit.id, removedAt: null, file });
  }
}
