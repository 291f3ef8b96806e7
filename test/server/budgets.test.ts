import { expect } from 'chai';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import type { BenchEvent, WorkFacts } from '../../src/core/bench/definitions';
import { foldClock } from '../../src/core/bench/replay/foldClock';
import { foldMarks } from '../../src/core/bench/replay/foldMarks';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import { loadBench } from '../../src/server/bench/loadBench';
import { recordEvents } from '../../src/server/bench/recordEvents';
import { loadIntake } from '../../src/server/intake/loadIntake';
import { loadLog } from '../../src/server/ledger/loadLog';
import { loadMoney } from '../../src/server/money/loadMoney';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadScheme } from '../../src/server/schemes/loadScheme';
import { loadToday } from '../../src/server/today/loadToday';
import { demoDatabase, type TestDatabase } from '../support/database';
import { minute, NOW } from '../support/shop';

/** What a request may ask of the database once the workshop is in memory; a query for each unit, row or tap would show here. */
const MOST_QUERIES = {
  today: 14,
  intake: 6,
  scheme: 8,
  line: 12,
  money: 20,
  bench: 16,
  ledger: 5,
  tap: 17,
};

describe('budgets', () => {
  let database: TestDatabase;
  let id: string;
  before(async () => ({ database, id } = await demoDatabase(NOW)));
  after(() => database.close());

  const queriesOf = async (work: () => Promise<unknown>): Promise<number> => {
    let count = 0;
    const hear = () => count++;
    database.knex.on('query', hear);
    await work();
    database.knex.removeListener('query', hear);
    return count;
  };

  it('are kept by every view: so many queries, and no more for more units', async () => {
    const { stores } = database;
    const views = {
      today: () => loadToday(stores, NOW),
      intake: () => loadIntake(stores, id, NOW),
      scheme: () => loadScheme(stores, id, NOW),
      line: () => loadLine(stores, NOW),
      money: () => loadMoney(stores, id, NOW),
      bench: () => loadBench(stores, NOW),
      ledger: () => loadLog(stores, NOW),
    };
    for (const [view, load] of Object.entries(views) as [keyof typeof views, () => Promise<unknown>][]) {
      await load();
      expect(await queriesOf(load), view).to.be.at.most(MOST_QUERIES[view]);
    }
  });

  it('are kept by a tap, however much was tapped before', async () => {
    const picture = (await loadBench(database.stores, NOW))!;
    const pass = picture.line.passes.find((each) => each.models.length > 3)!;
    const tap = (at: number, models: number[]): BenchEvent =>
      wholeEvent({
        id: `tap-${at}`,
        kind: 'done',
        at: minute(at).toISOString(),
        unit: pass.unitId,
        step: pass.stepId,
        coat: pass.coat,
        models,
      });
    const cost = (at: number) => queriesOf(() => recordEvents(database.stores, { events: [tap(at, [pass.models[at % 3]!])] }, minute(at)));
    const first = await cost(1);
    for (let at = 2; at < 20; at++) await cost(at);
    expect(first).to.be.at.most(MOST_QUERIES.tap);
    expect(await cost(20)).to.be.at.most(first);
  });

  it('are kept by the folds: a hundred thousand events leave no more than their marks behind', () => {
    const facts: WorkFacts = {
      commissionId: 'c',
      commission: 'Tide coast watch',
      unit: 'Lamp keepers',
      part: 'Coat',
      technique: 'layer',
      paintId: 'p',
      paint: 'Deep tide',
      size: 'foot',
      coverage: 0.2,
      dryMinutes: 5,
      handleMinutes: 0,
      minutes: 2,
      effort: 1,
      factors: [],
      like: null,
    };
    const events = Array.from({ length: 100_000 }, (_, index) =>
      wholeEvent({
        id: `e${String(index).padStart(6, '0')}`,
        kind: 'done',
        at: new Date(Date.parse('2026-01-01T10:00:00Z') + index * 60_000).toISOString(),
        unit: `u${index % 20}`,
        step: `s${index % 20}-${Math.floor(index / 20) % 50}`,
        coat: 1,
        models: [1 + (Math.floor(index / 1000) % 40)],
        facts,
      }),
    );
    setFlagsFromString('--expose-gc');
    const collect = runInNewContext('gc') as () => void;
    const heldMb = (work: () => unknown): number => {
      collect();
      const before = process.memoryUsage().heapUsed;
      const kept = work();
      collect();
      const held = (process.memoryUsage().heapUsed - before) / 1e6;
      expect(kept).to.not.equal(undefined);
      return held;
    };
    // A mark for each model and step, and a stretch for every change of step.
    expect(
      heldMb(() => foldMarks(events)),
      'marks',
    ).to.be.below(12);
    expect(
      heldMb(() => foldClock(events)),
      'clock',
    ).to.be.below(60);
  });
});
