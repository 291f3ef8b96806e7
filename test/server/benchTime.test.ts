import { expect } from 'chai';
import { SteadyClock } from '../../src/core/bench/replay/SteadyClock';
import { adoptTime, takeBackCorrection } from '../../src/server/bench/adoptTime';
import { loadToday } from '../../src/server/today/loadToday';
import { clock } from '../../src/server/running/programTime';
import { Random } from '../support/random';
import { NOW, shopForEachTest } from '../support/shop';

const DAY_MS = 86_400_000;

describe('taps whose clock was wrong', () => {
  const given = shopForEachTest();

  async function taps(at: number) {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    return given.shop.painting(await given.shop.pass('Keepers', 'Coat'), [1, 2, 3], 2, at);
  }
  const told = async () => (await given.shop.rows()).map(({ minutes, models }) => [minutes, models]);

  it('are taken back to the present when a device is ahead, and count what passed between them', async () => {
    await given.shop.record(await taps(3 * 24 * 60), NOW);
    expect(await told()).to.deep.equal([[6, 3]]);
    expect((await given.database.stores.bench.after(0, 10)).at(-1)!.at).to.equal(NOW.toISOString());
  });

  it('stay where they are when they come late', async () => {
    const events = await taps(-500);
    await given.shop.record(events, NOW);
    expect((await given.database.stores.bench.after(0, 10)).map(({ at }) => at)).to.deep.equal(events.map(({ at }) => at));
  });

  it('are brought back among the others when the whole program was ahead, with what was told kept', async () => {
    const future = Date.now() + 400 * DAY_MS;
    const events = (await taps(0)).map((event, index) => ({ ...event, at: new Date(future + index * 120_000).toISOString() }));
    await given.shop.record(events);
    const before = await told();
    await adoptTime(given.database.stores);
    expect(await told()).to.deep.equal(before);
    const last = (await given.database.stores.bench.lastAt())!;
    expect(last).to.be.within(clock.now() - 60_000, clock.now());
    const rows: { toldAt: string; at: string }[] = await given.database.knex('bench_event').orderBy('seq');
    expect(rows.map(({ toldAt }) => toldAt)).to.deep.equal(events.map(({ at }) => at));
    expect(Date.parse(rows[3]!.at) - Date.parse(rows[0]!.at)).to.equal(3 * 120_000);
    await adoptTime(given.database.stores);
    expect(await told()).to.deep.equal(before);
  });

  it('of other data do not keep the clock ahead', async () => {
    const wall = Date.parse(NOW.toISOString());
    const steady = new SteadyClock(
      () => wall,
      () => 0,
    );
    steady.goOnFrom(wall + 30 * DAY_MS);
    await adoptTime(given.database.stores, steady);
    expect(steady.now()).to.equal(wall);
  });

  it('of a year 9999 spoil no other time', async () => {
    const events = await taps(-20);
    const far = { ...given.shop.event(0, 'noted', { note: 'by a broken clock' }), at: '9999-12-31T23:00:00.000Z' };
    await given.shop.record([events[0]!, far, ...events.slice(1)], NOW);
    const stored = new Map((await given.database.stores.bench.after(0, 10)).map(({ id, at }) => [id, at]));
    for (const { id, at } of events) expect(stored.get(id)).to.equal(at);
    expect(stored.get(far.id)).to.equal(NOW.toISOString());
    const rows: { id: string; toldAt: string | null }[] = await given.database.knex('bench_event');
    expect(rows.filter(({ toldAt }) => toldAt !== null).map(({ toldAt }) => toldAt)).to.deep.equal([far.at]);
  });

  it('can be put back where they were told, with all that was tapped behind them', async () => {
    const future = Date.now() + 3 * DAY_MS;
    const events = (await taps(0)).map((event, index) => ({ ...event, at: new Date(future + index * 120_000).toISOString() }));
    await given.shop.record(events);
    await adoptTime(given.database.stores);
    const [correction] = (await loadToday(given.stores, new Date(clock.now()))).corrections;
    expect(correction).to.include({ taps: 4 });
    const later = { ...given.shop.event(0, 'noted', { note: 'behind' }), at: new Date(clock.now() + 1000).toISOString() };
    await given.shop.record([later], new Date(clock.now() + 1000));
    await takeBackCorrection(given.database.stores, correction!.id, new Date(clock.now()));
    const stored = await given.database.stores.bench.latest(10);
    expect(stored.slice(0, 4).map(({ at }) => at)).to.deep.equal(events.map(({ at }) => at));
    expect(stored[4]!.id).to.equal(later.id);
    expect((await loadToday(given.stores, new Date(clock.now()))).corrections).to.deep.equal([]);
    // The other tests go by the clock of the computer again.
    clock.goOnFrom(Date.now() - 10 * DAY_MS);
  });
});

describe('a computer whose clock is wrong at one start', () => {
  const given = shopForEachTest();
  const HOUR_MS = 3_600_000;
  const OFFSETS = [-400 * DAY_MS, -3 * DAY_MS, -5 * HOUR_MS, -50 * 60_000, 50 * 60_000, 5 * HOUR_MS, 3 * DAY_MS, 400 * DAY_MS];
  const EVENINGS = 6;
  const FIRST_MS = Date.parse('2027-02-01T18:00:00Z');

  for (const [index, offset] of OFFSETS.entries())
    it(`moves nothing for good: ${offset / HOUR_MS} h (seed ${index + 1})`, async () => {
      const random = new Random(index + 1);
      const { id } = await given.shop.commission();
      await given.shop.putOnBench(id);
      const pass = await given.shop.pass('Keepers', 'Coat');
      const wrongAt = random.whole(1, EVENINGS - 2);
      const truth = new Map<string, number>();
      const arrived: string[] = [];
      for (let evening = 0; evening <= EVENINGS; evening++) {
        const from = FIRST_MS + evening * DAY_MS + random.whole(0, 180) * 60_000;
        let passed = 0;
        const wrong = evening === wrongAt ? offset : 0;
        const steady = new SteadyClock(
          () => from + passed + wrong,
          () => passed,
        );
        await adoptTime(given.stores, steady);
        if (evening === EVENINGS) break;
        for (let tap = 0; tap < 4; tap++) {
          passed += 120_000;
          const now = new Date(steady.now());
          const event = { ...given.shop.event(0, tap === 0 ? 'started' : 'done', given.shop.of(pass)), at: now.toISOString() };
          await given.shop.record([{ ...event, models: tap === 0 ? [] : [evening * 3 + tap > 10 ? 10 : evening * 3 + tap] }], now);
          steady.tapped(now.getTime());
          truth.set(event.id, from + passed);
          arrived.push(event.id);
        }
      }
      const stored = await given.stores.bench.latest(1000);
      expect(
        stored.map((event) => event.id),
        'in the order they were tapped',
      ).to.deep.equal(arrived);
      for (const [place, { id: tap, at }] of stored.entries()) {
        if (Math.floor(place / 4) === wrongAt) continue;
        expect(Math.abs(Date.parse(at) - truth.get(tap)!), `tap ${place}`).to.be.at.most(place > wrongAt * 4 ? 36 * HOUR_MS : 0);
      }
      const minutes = (await given.shop.rows()).map((row) => row.minutes);
      expect(minutes.every((each) => each % 2 === 0)).to.equal(true);
    });
});
