import { ulid } from 'ulid';
import type { BenchEvent, BenchEventKind } from '../../src/core/bench/definitions';
import type { BenchPass } from '../../src/core/bench/guide/benchLine';
import { unpackMarks } from '../../src/contract/bench';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import { foldMarks } from '../../src/core/bench/replay/foldMarks';
import { wholeCommission, type Selection } from '../../src/core/plan/selection';
import type { UnitEntry } from '../../src/core/scheme/model/definitions';
import { loadBench } from '../../src/server/bench/loadBench';
import { putOnBench } from '../../src/server/bench/putOnBench';
import { recordEvents } from '../../src/server/bench/recordEvents';
import { createCommission } from '../../src/server/intake/createCommission';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { loadLine } from '../../src/server/plan/loadLine';
import { chooseUnits } from '../../src/server/workshop/choice';
import { testDatabase, type TestDatabase } from './database';
import { paint, part, scheme, step } from './units';

export const NOW = new Date('2026-11-23T18:00:00Z');
/** The models of a unit of ten. */
export const ALL = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10];
export const entry = {
  name: 'Coast',
  client: 'Club',
  dueOn: '2026-12-20',
  standard: 'table' as const,
  hourlyRateMinor: 2400,
  currency: 'EUR',
  note: '',
};

/** A unit as Intake has it, and how many of its first models lead. */
type ShopUnit = UnitEntry & { leaders?: number };

export const unitEntry = (name: string, more: Partial<ShopUnit> = {}): ShopUnit => ({
  id: ulid(),
  name,
  size: 'foot',
  promised: 10,
  owned: 0,
  counted: null,
  countNote: '',
  gone: [],
  late: [],
  trayByTray: false,
  goesFirst: false,
  trayLimit: 10,
  holder: '',
  bits: [],
  testModel: 'none',
  testedBy: null,
  linked: null,
  ...more,
});

export const rejected = async (promise: Promise<unknown>): Promise<Error> =>
  promise.then(
    () => {
      throw new Error('it was accepted');
    },
    (error: Error) => error,
  );

export const minute = (minutes: number): Date => new Date(NOW.getTime() + Math.round(minutes * 60_000));

/** A workshop under test: what a painter does with it, said shortly. */
export class TestShop {
  readonly stores: TestDatabase['stores'];

  constructor(database: TestDatabase) {
    this.stores = database.stores;
  }

  /** A commission of two units that share two paints, each with a coat and a cap. */
  async commission(name = 'Coast', units = [unitEntry('Keepers'), unitEntry('Cutters')]): Promise<{ id: string; units: ShopUnit[] }> {
    const { id } = await createCommission(this.stores, { ...entry, name }, NOW);
    await saveIntake(this.stores, id, { revision: 1, commission: { ...entry, name }, units }, NOW);
    await this.stores.paints.addMissing([paint('red'), paint('blue')]);
    for (const unit of units) {
      const parts = [
        { ...part('Coat', step('basecoat', { id: ulid(), paint: 'red' })), id: ulid() },
        { ...part('Cap', step('basecoat', { id: ulid(), paint: 'blue' })), id: ulid() },
      ];
      await saveScheme(this.stores, unit.id, { revision: 1, scheme: scheme(parts, [], { leaders: unit.leaders ?? 0 }) }, NOW);
    }
    return { id, units };
  }

  async line(selection: Selection | string, at = NOW) {
    await chooseUnits(this.stores, { selection: typeof selection === 'string' ? wholeCommission(selection) : selection });
    return loadLine(this.stores, at);
  }

  /** Puts the line of these units on the bench as it is planned. */
  async putOnBench(selection: Selection | string, at = NOW): Promise<void> {
    const line = await this.line(selection, at);
    await putOnBench(this.stores, { selection: line.selection, line: { order: line.suggested, wishes: [] } }, at);
  }

  async bench(at = NOW) {
    const picture = (await loadBench(this.stores, at))!;
    return { ...picture, marks: foldMarks(picture.events.map(wholeEvent), { before: unpackMarks(picture.before.marks) }) };
  }

  async pass(unit: string, partName: string | null, coat = 1): Promise<BenchPass> {
    const { line } = await this.bench();
    const unitId = line.units.find((each) => each.name === unit)!.id;
    return line.passes.find((each) => each.unitId === unitId && each.part === partName && each.coat === coat)!;
  }

  event(at: number, kind: BenchEventKind, more: Partial<BenchEvent> = {}): BenchEvent {
    const when = minute(at);
    return wholeEvent({ id: ulid(when.getTime()), kind, at: when.toISOString(), ...more });
  }

  of = ({ unitId, stepId, coat }: BenchPass) => ({ unit: unitId, step: stepId, coat });

  /** Starting a pass and painting models one after the other, each in so many minutes. */
  painting(pass: BenchPass, models: number[], minutesEach: number, from = 0): BenchEvent[] {
    return [
      this.event(from, 'started', this.of(pass)),
      ...models.map((model, index) => this.event(from + (index + 1) * minutesEach, 'done', { ...this.of(pass), models: [model] })),
    ];
  }

  /** Sends taps as soon as the last of them is made. */
  record(events: BenchEvent[], at = new Date(Math.max(NOW.getTime(), ...events.map((event) => Date.parse(event.at))))) {
    return recordEvents(this.stores, { events }, at);
  }

  rows() {
    return this.stores.timeLog.list();
  }
}

/** A workshop of its own for every test of a suite. */
export function shopForEachTest(): { database: TestDatabase; stores: TestDatabase['stores']; shop: TestShop } {
  const made = {} as ReturnType<typeof shopForEachTest>;
  beforeEach(async () => {
    made.database = await testDatabase();
    made.stores = made.database.stores;
    made.shop = new TestShop(made.database);
  });
  afterEach(() => made.database.close());
  return made;
}
