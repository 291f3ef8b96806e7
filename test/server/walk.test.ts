import { expect } from 'chai';
import { copyFileSync } from 'node:fs';
import path from 'node:path';
import { ulid } from 'ulid';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { compileLine } from '../../src/core/line/problem/compileLine';
import { solveLine } from '../../src/core/line/search/solveLine';
import { DEFAULT_HOUSE_RULES } from '../../src/core/scheme/model/houseRules';
import { passesOf } from '../../src/core/scheme/passes/passes';
import { wholeCommission } from '../../src/core/plan/selection';
import type { StoredUnit } from '../../src/core/commission/definitions';
import { openDatabase } from '../../src/data/database';
import { databaseFile } from '../../src/data/file/folder';
import { restoreFolder } from '../../src/data/file/restoreDatabase';
import { closeCommission } from '../../src/server/intake/lifecycle';
import { sayOfMarks } from '../../src/server/bench/sayOfMarks';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { storesOf } from '../../src/server/stores/storesOf';
import { loadWorkshop, type WorkUnit } from '../../src/server/workshop/loadWorkshop';
import { type TestDatabase } from '../support/database';
import { temporaryFolder } from '../support/temporaryFolder';
import { expectLaidAsShown } from '../support/laidAsShown';
import { expectOneNumber } from '../support/oneNumber';
import { RandomPainter, type WalkPass } from '../support/painter';
import { expectTravels } from '../support/travels';
import { Random, seeds } from '../support/random';
import { entry, minute, TestShop, unitEntry } from '../support/shop';
import { step } from '../support/units';

const ACTS = 130;
const COMPARED_EVERY = 25;

/** A workshop whose painter works at random while everything around the work changes. */
class RandomWorkshop {
  readonly painter: RandomPainter;
  private shop!: TestShop;
  private database!: TestDatabase;
  private commissions: string[] = [];
  /** Taps of a device that is offline for a while. */
  private held: BenchEvent[] = [];
  /** What there is to paint; null after a change around the work. */
  private known: WalkPass[] | null = null;

  constructor(
    private readonly random: Random,
    private readonly folder: string,
  ) {
    this.painter = new RandomPainter(random, (at, kind, more) => this.shop.event(at, kind, more));
  }

  async open(): Promise<void> {
    const opened = await openDatabase(this.folder);
    this.database = { ...opened, stores: storesOf(opened.knex) };
    this.shop = new TestShop(this.database);
  }

  close = () => this.database.close();

  async begin(): Promise<void> {
    for (const name of ['Coast', 'Square'])
      this.commissions.push(
        (await this.shop.commission(name, [unitEntry('Keepers', { promised: 5, leaders: 1 }), unitEntry('Cutters', { promised: 4 })])).id,
      );
    await this.shop.putOnBench(this.commissions[0]!);
  }

  get now(): Date {
    return minute(this.painter.now);
  }

  async act(): Promise<void> {
    if (this.random.chance(0.15)) {
      this.known = null;
      return this.change();
    }
    this.known ??= await this.passes();
    const events = this.painter.act(this.known);
    if (this.random.chance(0.1) || this.held.length > 0) this.held.push(...events);
    else if (events.length > 0) await this.shop.record(events, this.now);
    if (this.held.length > 12 || this.random.chance(0.2)) await this.deliver();
  }

  /** What the offline device holds arrives, in any order, some of it twice. */
  async deliver(): Promise<void> {
    const events = this.random.shuffle([...this.held, ...this.held.filter(() => this.random.chance(0.3))]);
    this.held = [];
    for (const event of events) await this.shop.record([event], this.now);
  }

  private async passes(): Promise<WalkPass[]> {
    return this.passesOfAll((await loadWorkshop(this.shop.stores, this.now)).units);
  }

  private passesOfAll(units: readonly WorkUnit[]): WalkPass[] {
    return units.flatMap((unit) =>
      passesOf(unit, unit.standard, DEFAULT_HOUSE_RULES).map((pass) => ({
        key: pass.key,
        unit: unit.id,
        step: pass.step.id,
        coat: pass.coat,
        models: pass.models,
        minutes: 2,
      })),
    );
  }

  private async change(): Promise<void> {
    const { stores } = this.shop;
    const id = this.random.pick(this.commissions);
    const commission = (await stores.commissions.find(id))!;
    const units = await stores.commissions.units(id);
    const unit = this.random.pick(units);
    const save = (changed: typeof units, name = commission.name) =>
      saveIntake(stores, id, { revision: commission.revision, commission: { ...entry, name }, units: changed }, this.now);
    switch (
      this.random.pick([
        'rename',
        'count',
        'trays',
        'step',
        'remove',
        'line',
        'close',
        'restart',
        'retype',
        'put back',
        'said',
        'restore',
      ] as const)
    ) {
      case 'rename':
        await save(
          units.map((each) => ({ ...each, name: `${each.name}'` })),
          `${commission.name}'`,
        );
        return;
      case 'count':
        // Never fewer than were painted: the painter knows those.
        await save(units.map((each) => (each.id === unit.id ? { ...each, promised: each.promised + 1 } : each)));
        return;
      case 'trays':
        await save(units.map((each) => ({ ...each, trayLimit: this.random.whole(1, 6) })));
        return;
      case 'step': {
        const [first, ...rest] = unit.scheme.parts;
        const added = { ...first!, steps: [...first!.steps, step('layer', { id: ulid(), paint: 'blue' })] };
        await saveScheme(stores, unit.id, { revision: unit.schemeRevision, scheme: { ...unit.scheme, parts: [added, ...rest] } }, this.now);
        return;
      }
      case 'remove': {
        const scheme = { ...unit.scheme, parts: unit.scheme.parts.slice(0, 1) };
        await saveScheme(stores, unit.id, { revision: unit.schemeRevision, scheme }, this.now);
        await saveScheme(stores, unit.id, { revision: unit.schemeRevision + 1, scheme: unit.scheme }, this.now);
        return;
      }
      case 'line':
        await this.deliver();
        return this.layAnew();
      case 'close':
        await closeCommission(stores, id, { closed: true }, this.now);
        await closeCommission(stores, id, { closed: false }, this.now);
        return;
      case 'retype':
        return this.expectUnchanged(async () => {
          await save(units.map((each) => (each.id === unit.id ? { ...each, counted: 1 } : each)));
          await this.saveAs(id, units);
        });
      case 'put back':
        if (units.length < 2) return;
        return this.expectUnchanged(async () => {
          await save(units.filter((each) => each.id !== unit.id));
          await this.saveAs(id, units);
        });
      case 'said': {
        const [painted] = (await this.passes()).filter(
          (pass) => pass.unit === unit.id && (this.painter.marks.get(pass.key)?.size ?? 0) > 0,
        );
        if (!painted) return;
        await this.deliver();
        return this.expectUnchanged(async () => {
          const again = {
            id: ulid(),
            kind: 'reopened' as const,
            step: painted.step,
            coat: painted.coat,
            models: painted.models,
            target: null,
          };
          await sayOfMarks(stores, unit.id, { events: [again] }, this.now);
          const back = { id: ulid(), kind: 'undone' as const, step: null, coat: null, models: [], target: again.id };
          await sayOfMarks(stores, unit.id, { events: [back] }, this.now);
        });
      }
      case 'restore': {
        await this.close();
        const copy = path.join(this.folder, 'taken-along.sqlite');
        copyFileSync(databaseFile(this.folder), copy);
        // Away to the copy, and back to what was put aside for it.
        const aside = await restoreFolder(copy, this.folder, this.now);
        await restoreFolder(aside!, this.folder, this.now);
        return this.open();
      }
      case 'restart':
        await this.close();
        return this.open();
    }
  }

  /** Undo: the same list of units once more. */
  private async saveAs(id: string, units: StoredUnit[]): Promise<void> {
    const { revision, name } = (await this.shop.stores.commissions.find(id))!;
    await saveIntake(this.shop.stores, id, { revision, commission: { ...entry, name }, units }, this.now);
  }

  /** What is done and undone leaves every unit, mark and row as it was. */
  private async expectUnchanged(work: () => Promise<void>): Promise<void> {
    const state = async () => {
      const { units, marks } = await loadWorkshop(this.shop.stores, this.now);
      const rows = (await this.shop.rows()).map(({ id, models, minutes }) => [id, models, minutes]);
      return {
        units: units.map(({ schemeRevision: _revision, ...unit }) => unit),
        marks: [...marks.marks].map(([key, models]) => [key, [...models.keys()].sort()]).sort(),
        rows,
      };
    };
    const before = await state();
    await work();
    expect(await state()).to.deep.equal(before);
  }

  async expectTravels(): Promise<void> {
    await this.deliver();
    await expectTravels(this.shop.stores, this.now);
  }

  private async layAnew(): Promise<void> {
    const selection = this.random.chance(0.5)
      ? wholeCommission(this.random.pick(this.commissions))
      : this.commissions.flatMap(wholeCommission);
    const { problem } = await this.shop.line(selection, this.now);
    if (problem.jobs.length === 0) return;
    const found = solveLine(compileLine(problem), { seed: this.random.whole(1, 99), steps: 200, seeksProof: false });
    const order = Array.from(found.order, (job) => problem.jobs[job]!.id);
    await expectLaidAsShown(this.shop.stores, selection, this.now, this.random.chance(0.5) ? undefined : { order, wishes: [] });
  }

  async check(compared: boolean): Promise<void> {
    await this.deliver();
    const {
      units,
      marks: { marks },
    } = await loadWorkshop(this.shop.stores, this.now);
    for (const pass of this.passesOfAll(units))
      expect([...(marks.get(pass.key)?.keys() ?? [])].sort(), pass.key).to.deep.equal([...(this.painter.marks.get(pass.key) ?? [])].sort());
    const rows = await this.shop.rows();
    const minutes = rows.reduce((sum, row) => sum + (row.open ? 0 : row.minutes), 0);
    expect(minutes, 'minutes').to.be.closeTo(this.painter.worked, 0.002 * rows.length + 0.3);
    const setUp = rows.reduce((sum, row) => sum + (row.setupMinutes ?? 0), 0);
    expect(setUp, 'set-up').to.be.closeTo(this.painter.setUp, 0.002 * rows.length + 0.3);
    if (compared) await expectOneNumber(this.shop.stores, this.now);
  }
}

describe('a workshop that never stands still', function () {
  for (const seed of seeds(10)) {
    it(`loses and invents no mark, logs the minutes worked, lays what is shown, and shows one number everywhere (workshop ${seed})`, async () => {
      const { folder, remove } = temporaryFolder();
      const workshop = new RandomWorkshop(new Random(seed), folder);
      await workshop.open();
      await workshop.begin();
      for (let act = 1; act <= ACTS; act++) {
        await workshop.act();
        if (act % 5 === 0) await workshop.check(act % COMPARED_EVERY === 0);
      }
      expect(workshop.painter.worked).to.be.greaterThan(20);
      await workshop.expectTravels();
      await workshop.close();
      remove();
    });
  }
});
