import { expect } from 'chai';
import type { CommissionFile } from '../../src/core/formats/commission/commission';
import { InputError } from '../../src/core/kernel/InputError';
import { compileLine } from '../../src/core/line/problem/compileLine';
import type { LineWish } from '../../src/core/line/definitions';
import { enteredOrder } from '../../src/core/line/problem/precedence';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { wholeCommission } from '../../src/core/plan/selection';
import { chooseUnits } from '../../src/server/workshop/choice';
import { loadLine } from '../../src/server/plan/loadLine';
import { ownLineSchema, saveOwnLine } from '../../src/server/plan/saveOwnLine';
import { solveInThread } from '../../src/server/work/threads';
import { parse } from '../../src/core/formats/fields';
import { demoDatabase, testDatabase, type TestDatabase } from '../support/database';

const NOW = new Date('2026-11-23T18:00:00Z');

describe("the painter's own line", () => {
  let database: TestDatabase;
  let id: string;
  before(async function () {
    ({ database } = await demoDatabase(NOW));
    // One that is not on the bench: what lies there is looked at as its own order.
    id = (await database.stores.commissions.listOpen())[1]!.id;
    await chooseUnits(database.stores, { selection: selection() });
  });
  after(() => database.close());

  const selection = () => wholeCommission(id);
  const load = () => loadLine(database.stores, NOW);
  const save = async (line: unknown) =>
    saveOwnLine(database.stores, parse(ownLineSchema, { revision: (await load()).ownRevision, selection: selection(), line }), NOW);

  it('is none until something is done by hand', async () => {
    expect((await load()).own).to.equal(null);
  });

  it('is kept with its wishes, and comes back', async () => {
    const { problem } = await load();
    const order = Array.from(enteredOrder(compileLine(problem)), (job) => problem.jobs[job]!.id);
    const wishes: LineWish[] = [{ kind: 'first', trays: [problem.trays[0]!.id], weight: 0.5 }];
    await save({ order, wishes });
    const { own } = await load();
    expect(own!.wishes).to.deep.equal(wishes);
    expect(own!.order).to.deep.equal(order);
  });

  it('goes along with the file of its commission', async () => {
    const { text } = await exportCommission(database.stores, id);
    const { own } = await load();
    expect((JSON.parse(text) as CommissionFile).line).to.deep.equal(own);
    const elsewhere = await testDatabase();
    await importCommission(elsewhere.stores, JSON.parse(text), NOW);
    expect((await exportCommission(elsewhere.stores, id)).text).to.equal(text);
    expect((await loadLine(elsewhere.stores, NOW)).own!.order).to.have.members(own!.order);
    await elsewhere.close();
  });

  it('is refused when it does not fit the line, and what was kept stays', async () => {
    const { own } = await load();
    const ids = own!.order;
    const bad: [line: unknown, message: RegExp][] = [
      [{ order: ids.slice(1), wishes: [] }, /^order.* is /],
      [{ order: [...ids.slice(1), 'nothing'], wishes: [] }, /^order\[\d+\] is /],
      [{ order: [...ids].reverse(), wishes: [] }, /put it after/],
      [{ order: ids, wishes: [{ kind: 'pin', jobs: ['nothing'], after: null }] }, /^wishes\[0\]\.jobs\[0\] is "nothing"/],
      [{ order: ids }, /^line\.wishes is missing/],
      [{ order: 'first to last', wishes: [] }, /^line\.order is "first to last": give a list/],
    ];
    for (const [line, message] of bad) {
      const error = await save(line).then(
        () => null,
        (problem_: unknown) => problem_,
      );
      expect(error, String(message)).to.be.instanceOf(InputError);
      expect((error as InputError).message).to.match(message);
    }
    expect((await load()).own).to.deep.equal(own);
  });

  it('is forgotten when the suggestion is followed again', async () => {
    await save(null);
    expect((await load()).own).to.equal(null);
  });

  it('is kept for each choice of units apart', async () => {
    const { suggested, choices } = await load();
    await save({ order: suggested, wishes: [] });
    const [first] = choices.filter((unit) => unit.commissionId === id);
    await chooseUnits(database.stores, { selection: [{ commissionId: id, unitIds: [first!.id] }] });
    const part = await load();
    expect(part.own).to.equal(null);
    expect(new Set(part.jobs.map((job) => job.unitId))).to.deep.equal(new Set([first!.id]));
    await chooseUnits(database.stores, { selection: selection() });
    expect((await load()).own).to.not.equal(null);
    await save(null);
  });

  it('is improved in a thread of the server by the same code', async () => {
    const { problem } = await load();
    const reports: number[] = [];
    const solved = await solveInThread({ problem, seed: 1, steps: 2000, milliseconds: null }, ({ cost }) => reports.push(cost));
    expect(solved.done).to.equal(true);
    expect(solved.order).to.have.length(problem.jobs.length);
    expect(reports.at(-1)).to.equal(solved.cost);
    const again = await solveInThread({ problem, seed: 1, steps: 2000, milliseconds: null });
    expect([...again.order]).to.deep.equal([...solved.order]);
  });

  it('tells when the thread cannot do its work', async () => {
    const { problem } = await load();
    const broken = { ...problem, jobs: problem.jobs.map((job) => ({ ...job, tray: 'none' })) };
    const error = await solveInThread({ problem: broken, seed: 1, steps: 1, milliseconds: null }).catch((problem_: unknown) => problem_);
    expect((error as Error).message).to.match(/tray "none" is not in the problem/);
  });
});
