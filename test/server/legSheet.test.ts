import { expect } from 'chai';
import { compileLine } from '../../src/core/line/problem/compileLine';
import { enteredOrder } from '../../src/core/line/problem/precedence';
import { InputError } from '../../src/core/kernel/InputError';
import { wholeCommission } from '../../src/core/plan/selection';
import { chooseUnits } from '../../src/server/workshop/choice';
import { loadLegSheet } from '../../src/server/plan/loadLegSheet';
import { loadLine } from '../../src/server/plan/loadLine';
import { demoDatabase, type TestDatabase } from '../support/database';

const NOW = new Date('2026-11-23T18:00:00Z');

describe('what is printed on a leg sheet', () => {
  let database: TestDatabase;
  let id: string;
  let order: string[];
  before(async function () {
    ({ database, id } = await demoDatabase(NOW));
    await chooseUnits(database.stores, { selection: wholeCommission(id) });
    const { problem } = await loadLine(database.stores, NOW);
    order = Array.from(enteredOrder(compileLine(problem)), (job) => problem.jobs[job]!.id);
  });
  after(() => database.close());

  const sheet = (inSessions: boolean, ids = order, of = id) =>
    loadLegSheet(database.stores, { selection: wholeCommission(of), order: ids, inSessions }, NOW);

  it('is every job that is left, in the order asked for', async () => {
    const { legs, sessions } = await sheet(false);
    expect(legs.flatMap((leg) => leg.jobs.map((job) => job.id))).to.deep.equal(order);
    expect(sessions).to.equal(null);
    expect(new Set(legs.flatMap((leg) => leg.timed.map(({ session }) => session)))).to.deep.equal(new Set([0]));
  });

  it('is timed in the sessions of House rules when they are asked for', async () => {
    const { legs, sessions, totals } = await sheet(true);
    for (const { begin, session } of legs.flatMap((leg) => leg.timed))
      expect(begin).to.be.within(sessions!.sessions[session]!.from, sessions!.sessions[session]!.to);
    expect(totals.finish).to.be.greaterThan(1440);
  });

  it('is refused for an order that breaks the line, and for a commission that is not there', async () => {
    for (const wrong of [sheet(false, order.toReversed()), sheet(false, order.slice(1)), sheet(false, order, 'nobody')])
      await wrong.then(
        () => expect.fail('it was not refused'),
        (error: unknown) => expect(error).to.be.instanceOf(InputError),
      );
  });

  it('is refused in sessions too short for it, with what to do', async () => {
    const house = await database.stores.houseRules.load();
    const { houseRules } = database.stores;
    await houseRules.save({ ...house, sessions: [{ weekday: 0, from: '19:00', to: '19:02' }] }, await houseRules.revision());
    try {
      await sheet(true);
      expect.fail('it was not refused');
    } catch (error) {
      expect((error as Error).message).to.include('print it as one session');
    } finally {
      await houseRules.save(house, await houseRules.revision());
    }
  });
});
