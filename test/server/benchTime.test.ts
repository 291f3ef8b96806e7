import { expect } from 'chai';
import { adoptTime } from '../../src/server/bench/adoptTime';
import { clock } from '../../src/server/programTime';
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
});
