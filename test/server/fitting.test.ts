import { expect } from 'chai';
import { FIT_FIELDS } from '../../src/core/time/fit/observations';
import type { StoredLogRow } from '../../src/core/log/definitions';
import { listen } from '../../src/server/running/announcements';
import type { FittedLog, Fitter } from '../../src/server/work/fitter';
import { fitBy } from '../../src/server/work/fitters';
import { fingerprintOf, HandedFitter, latestFit } from '../../src/server/work/handedFit';
import { SlicedFitter } from '../../src/server/work/SlicedFitter';
import { ThreadFitter } from '../../src/server/work/ThreadFitter';
import { judgeRow, loadLogPage } from '../../src/server/ledger/loadLog';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';
import { demoDatabase, type TestDatabase } from '../support/database';
import { minute, NOW, rejected } from '../support/shop';

/** Fits when it is told to. */
class HeldFitter implements Fitter {
  private readonly sliced = new SlicedFitter();
  private letGo: () => void = () => undefined;
  private held = Promise.resolve();
  asked = 0;

  hold(): void {
    this.held = new Promise((resolve) => (this.letGo = resolve));
  }

  goOn(): void {
    this.letGo();
  }

  async fit(...of: Parameters<Fitter['fit']>): Promise<FittedLog> {
    this.asked++;
    await this.held;
    return this.sliced.fit(...of);
  }
}

describe('fitting the log', function () {
  let database: TestDatabase;
  before(async () => ({ database } = await demoDatabase(NOW)));
  after(() => database.close());

  it('tells logs apart by everything that the fit reads', async () => {
    const [row] = await database.stores.timeLog.list();
    const other: Record<(typeof FIT_FIELDS)[number], Partial<StoredLogRow>> = {
      startedAt: { startedAt: '2026-01-01T10:00:00Z' },
      unitId: { unitId: 'other' },
      stepId: { stepId: 'other' },
      stepLike: { stepLike: 'other' },
      commission: { commission: 'Other' },
      unit: { unit: 'Other' },
      part: { part: 'Other' },
      technique: { technique: 'sponge' },
      size: { size: 'scenery' },
      coverage: { coverage: 0.123 },
      models: { models: 99 },
      weight: { weight: 98.5 },
      effort: { effort: 1.75 },
      minutes: { minutes: 1234 },
      open: { open: 'gap' },
      verdict: { verdict: 'left out' },
      correctedMinutes: { correctedMinutes: 4321 },
    };
    const prints = FIT_FIELDS.map((field) => fingerprintOf([{ ...row!, ...other[field] }]));
    expect(new Set([fingerprintOf([row!]), ...prints]).size).to.equal(FIT_FIELDS.length + 1);
    expect(fingerprintOf([{ ...row!, note: 'said since' }])).to.equal(fingerprintOf([row!]));
  });

  describe('in a thread of its own', () => {
    let thread: ThreadFitter;
    beforeEach(() => (thread = new ThreadFitter()));
    afterEach(() => thread.stop());

    it('comes to what it comes to right here: with the whole log, a row judged, rows gone and rows back', async () => {
      const { stores } = database;
      const here = new SlicedFitter();
      const whole = await stores.timeLog.list();
      await stores.timeLog.judge(whole[3]!.id, { verdict: 'left out', correctedMinutes: null });
      const judged = await stores.timeLog.list();
      const spreads = (await stores.spreads.load())?.spreads;
      for (const log of [whole, judged, judged.slice(0, 50), judged]) {
        const there = await thread.fit(log, NOW, spreads);
        expect(there.fitted.stretches.all).to.be.within(log.length - 10, log.length);
        const { fitted, odd } = await here.fit(log, NOW, spreads);
        expect([there.fitted, there.odd]).to.deep.equal([fitted, odd]);
      }
      expect((await thread.fit([], NOW, undefined)).fitted.stretches.all).to.equal(0);
    });

    it('fits one after the other, and tells each asker of its own log', async () => {
      const whole = await database.stores.timeLog.list();
      const fits = await Promise.all([60, 20, 40].map((rows) => thread.fit(whole.slice(0, rows), NOW, undefined)));
      expect(fits.map(({ fitted }) => [...fitted.places.values()].reduce((sum, { models }) => sum + models, 0))).to.deep.equal(
        [60, 20, 40].map((rows) => whole.slice(0, rows).reduce((sum, row) => sum + row.models, 0)),
      );
    });

    it('is handed to other threads, which go by it where the log is the very same', async () => {
      const { stores } = database;
      const whole = await stores.timeLog.list();
      const spreads = (await stores.spreads.load())?.spreads;
      await thread.fit(whole, NOW, spreads);
      const handed = latestFit()!;
      const other = new HandedFitter(handed);
      expect(await other.fit(whole.toReversed(), NOW, spreads)).to.equal(handed);
      const [first, ...rest] = whole;
      const grown = [{ ...first!, models: first!.models + 1 }, ...rest];
      for (const [log, hour, of] of [
        [grown, NOW, spreads],
        [rest, NOW, spreads],
        [whole, minute(60), spreads],
        [whole, NOW, undefined],
      ] as const)
        expect((await other.fit(log, hour, of)).fitted).to.deep.equal((await new SlicedFitter().fit(log, hour, of)).fitted);
      await thread.stop();
      expect(latestFit()).to.equal(null);
    });

    it('knows nothing of who had its thread before', async () => {
      const whole = await database.stores.timeLog.list();
      await thread.fit(whole, NOW, undefined);
      await thread.stop();
      const few = whole.slice(0, 40);
      const next = new ThreadFitter();
      try {
        const { fitted, odd } = await next.fit(few, NOW, undefined);
        expect({ fitted, odd }).to.deep.equal(await new SlicedFitter().fit(few, NOW, undefined));
      } finally {
        await next.stop();
      }
    });

    it('says that the thread ended, and begins another with the whole log', async () => {
      const whole = await database.stores.timeLog.list();
      const all = await thread.fit(whole, NOW, undefined);
      const asked = thread.fit(whole, NOW, undefined);
      await thread.stop();
      expect((await rejected(asked)).message).to.match(/ended without an answer/);
      expect(await thread.fit(whole, NOW, undefined)).to.deep.equal(all);
    });
  });

  it('keeps a page waiting for a moment only: it goes by what was known, and windows are told when the rest is', async () => {
    const { stores } = database;
    const fitter = new HeldFitter();
    fitBy(stores, fitter);
    const odd = async () => (await loadLogPage(stores, { page: 0, filter: 'all', commission: null, words: '' }, NOW)).rows[0]!.odd;
    const before = await loadWorkshop(stores, NOW);
    const [newest] = before.log.slice(-1);
    fitter.hold();
    await judgeRow(stores, newest!.id, { verdict: 'unsure', correctedMinutes: newest!.minutes * 3 });
    const meanwhile = await loadWorkshop(stores, NOW);
    expect(meanwhile.model).to.equal(before.model);
    expect(meanwhile.log.at(-1)!.correctedMinutes).to.equal(newest!.minutes * 3);
    expect(await odd()).to.equal(null);
    expect(await loadWorkshop(stores, NOW), 'asked again').to.equal(meanwhile);
    const asked = fitter.asked;
    await stores.paints.addMissing([{ ...[...meanwhile.paints.values()][0]!, id: 'fresh', name: 'Fresh' }]);
    const tapped = await loadWorkshop(stores, NOW);
    expect([tapped === meanwhile, tapped.model === before.model, fitter.asked - asked], 'written meanwhile').to.deep.equal([
      false,
      true,
      0,
    ]);
    const told = new Promise((resolve) => {
      const deaf = listen((what) => (deaf(), resolve(what)));
    });
    fitter.goOn();
    expect(await told).to.equal('changed');
    expect((await loadWorkshop(stores, NOW)).model).to.not.equal(before.model);
  });
});
