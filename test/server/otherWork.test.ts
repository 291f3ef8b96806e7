import { expect } from 'chai';
import { otherMinutes, otherMinutesOf } from '../../src/core/bench/otherWork';
import { closeCommission, deleteCommission } from '../../src/server/intake/lifecycle';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { loadOtherWork, removeOtherWork, saveOtherWork, startOtherWork, stopOtherWork } from '../../src/server/bench/otherWork';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';
import { testDatabase } from '../support/database';
import { minute, rejected, shopForEachTest } from '../support/shop';

describe('other work', () => {
  const given = shopForEachTest();
  const start = (commissionId: string, at: number, minutes: number | null = null) =>
    startOtherWork(given.stores, { commissionId, kind: 'photographs', minutes, note: '' }, minute(at));

  it('has a clock of its own that goes on over a reload, one at a time', async () => {
    const { id } = await given.shop.commission();
    await start(id, 0);
    const { running } = await loadOtherWork(given.stores, id, minute(7));
    expect(otherMinutes(running!, minute(7).getTime())).to.be.closeTo(7, 1e-9);
    await startOtherWork(given.stores, { commissionId: id, kind: 'client', minutes: null, note: '' }, minute(10));
    await stopOtherWork(given.stores, minute(15));
    const { running: none, work } = await loadOtherWork(given.stores, id, minute(60));
    expect(none).to.equal(null);
    expect(work.map(({ kind, ...each }) => [kind, otherMinutes(each, minute(60).getTime())])).to.deep.equal([
      ['client', 5],
      ['photographs', 10],
    ]);
    await stopOtherWork(given.stores, minute(70));
    expect(otherMinutesOf((await loadOtherWork(given.stores, id, minute(80))).work, minute(80).getTime())).to.equal(15);
  });

  it('is never part of what painting took', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    const done = (at: number, model: number) => given.shop.event(at, 'done', { ...given.shop.of(coat), models: [model] });
    await given.shop.record([given.shop.event(0, 'started', given.shop.of(coat)), done(2, 1)]);
    await start(id, 3);
    await stopOtherWork(given.stores, minute(23));
    await given.shop.record([done(24, 2)]);
    const [row] = await given.shop.rows();
    expect(row).to.include({ models: 2 });
    expect(row!.minutes).to.be.closeTo(4, 1e-6);
    const before = (await loadWorkshop(given.stores, minute(30))).log.length;
    await start(id, 40, 90);
    expect((await loadWorkshop(given.stores, minute(41))).log.length).to.equal(before);
  });

  it('leaves painting paused where the painter had paused it', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record([given.shop.event(0, 'started', given.shop.of(coat)), given.shop.event(1, 'paused', {})]);
    await start(id, 3);
    await stopOtherWork(given.stores, minute(10));
    expect((await given.stores.bench.latest(10)).map(({ kind }) => kind)).to.deep.equal(['started', 'paused']);
  });

  it('knows nothing of a clock that was left running over night, until the painter says', async () => {
    const { id } = await given.shop.commission();
    const { id: work } = await start(id, 0);
    await stopOtherWork(given.stores, minute(700));
    const [left] = (await loadOtherWork(given.stores, id, minute(701))).work;
    expect(otherMinutes(left!, minute(701).getTime())).to.equal(null);
    const { id: _id, ...rest } = left!;
    await saveOtherWork(given.stores, work, { ...rest, minutes: 35 }, minute(702));
    expect(otherMinutesOf((await loadOtherWork(given.stores, id, minute(702))).work, 0)).to.equal(35);
  });

  it('ends when its commission is handed over or deleted, and no other clock does', async () => {
    for (const putAway of [closeCommission, deleteCommission]) {
      const { id } = await given.shop.commission('First');
      const { id: other } = await given.shop.commission('Second');
      const away = { closed: true, deleted: true };
      await start(id, 0);
      await putAway(given.stores, other, away, minute(3));
      expect((await given.stores.otherWork.running())?.commissionId).to.equal(id);
      await putAway(given.stores, id, away, minute(7));
      expect(await given.stores.otherWork.running()).to.equal(null);
      expect(otherMinutesOf(await given.stores.otherWork.ofCommissions([id]), minute(90).getTime())).to.equal(7);
    }
  });

  it('can be corrected, removed and brought back', async () => {
    const { id } = await given.shop.commission();
    const { id: work } = await start(id, 60, 20);
    const [piece] = (await loadOtherWork(given.stores, id, minute(61))).work;
    await removeOtherWork(given.stores, work);
    expect((await loadOtherWork(given.stores, id, minute(61))).work).to.deep.equal([]);
    const { id: _id, ...rest } = piece!;
    await saveOtherWork(given.stores, work, rest, minute(120));
    expect((await loadOtherWork(given.stores, id, minute(61))).work).to.deep.equal([piece]);
    expect((await rejected(removeOtherWork(given.stores, 'nothing'))).message).to.match(/no other work nothing/);
    expect((await rejected(start('nowhere', 0))).message).to.match(/commissionId is "nowhere": name a commission/);
    await start(id, 70);
    expect((await rejected(saveOtherWork(given.stores, work, { ...rest, endedAt: null }, minute(120)))).message).to.match(
      /stop the clock that runs first/,
    );
    const wrong = async (more: Partial<typeof rest>, id = work) =>
      (await rejected(saveOtherWork(given.stores, id, { ...rest, ...more }, minute(120)))).message;
    expect(await wrong({}, '../x')).to.match(/give an id/);
    expect(await wrong({ startedAt: '9999-01-01T00:00:00.000Z' })).to.match(/startedAt is "9999.*give a time that is past/);
    expect(await wrong({ endedAt: minute(-500).toISOString() })).to.match(/endedAt is .*give a time after/);
    expect(await wrong({ endedAt: minute(500).toISOString() })).to.match(/give a time that is past, or none/);
  });

  it('travels in the file of its commission', async () => {
    const { id } = await given.shop.commission();
    await start(id, 60, 20);
    const other = await testDatabase();
    const file = JSON.parse((await exportCommission(given.stores, id)).text) as unknown;
    const { id: taken } = await importCommission(other.stores, file, minute(90));
    const [piece] = (await loadOtherWork(other.stores, taken, minute(90))).work;
    expect(piece).to.include({ kind: 'photographs', minutes: 20 });
    await other.close();
  });
});
