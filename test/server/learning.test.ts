import { expect } from 'chai';
import { learnedFrom } from '../../src/core/time/learn/learnedFrom';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { loadWhy } from '../../src/server/plan/loadWhy';
import { foretell, isToForetell } from '../../src/server/ledger/foretell';
import { isToLearn, learnSpreads } from '../../src/server/ledger/learnSpreads';
import { loadInsights } from '../../src/server/ledger/loadInsights';
import { judgeRow, loadLogPage } from '../../src/server/ledger/loadLog';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';
import { demoDatabase, type TestDatabase } from '../support/database';

import { NOW, rejected } from '../support/shop';

describe('learning from the log', () => {
  let database: TestDatabase;
  let id: string;
  before(async () => ({ database, id } = await demoDatabase(NOW)));
  after(() => database.close());

  it('learns how much things differ once the log has grown, and plans with it', async () => {
    const { stores } = database;
    const rows = await stores.timeLog.count();
    const demo = (await stores.spreads.load())!;
    expect(await isToLearn(stores)).to.equal(false);
    await stores.spreads.save({ ...demo, rows: 20 });
    expect(await isToLearn(stores)).to.equal(true);
    const before = (await loadWorkshop(stores, NOW)).model;
    const learned = (await learnSpreads(stores))!;
    expect(learned).to.deep.equal({ ...demo, rows: learnedFrom(rows) });
    await stores.spreads.save(learned);
    expect(await isToLearn(stores)).to.equal(false);
    expect((await loadWorkshop(stores, NOW)).model).to.not.equal(before);
  });

  it('writes down what was foretold of each row, once, and the figures stay what they are', async () => {
    const { stores } = database;
    const workshop = await loadWorkshop(stores, NOW);
    const first = await foretell(stores);
    expect(first.length).to.be.greaterThan(10);
    await stores.predictions.save(first);
    expect(await loadWorkshop(stores, NOW)).to.equal(workshop);
    for (let rounds = 0; rounds < 20 && (await isToForetell(stores)); rounds++) await stores.predictions.save(await foretell(stores));
    expect(await isToForetell(stores)).to.equal(false);
    expect(await foretell(stores)).to.deep.equal([]);
    expect(await stores.predictions.list()).to.have.length((await stores.timeLog.count()) - 1);
  });

  it('shows whether the estimates were right, and where the hours go', async () => {
    const { stores } = database;
    const insights = await loadInsights(stores, NOW);
    expect(insights.pending).to.equal(false);
    expect(insights.all.rows + insights.odd).to.be.closeTo((await stores.timeLog.count()) - 1, 3);
    expect(insights.all.inside / insights.all.rows).to.be.within(0.7, 0.95);
    expect(insights.saved).to.be.within(0.03, 0.15);
    expect(insights.learning.length).to.be.greaterThan(3);
    const [all, ...each] = insights.stages;
    const sum = (of: typeof insights.stages) => of.reduce((total, { minutes }) => total + minutes.base + minutes.tail + minutes.build, 0);
    expect(sum([all!])).to.be.closeTo(sum(each), 1e-6);
  });

  it('says of every figure what it is made of', async () => {
    const { stores } = database;
    for (const pass of (await loadEstimate(stores, id, NOW)).passes.slice(0, 40)) {
      const { explanation, stretch, rows } = await loadWhy(stores, { pass: pass.passKey }, NOW);
      const product = explanation.factors.reduce((value, { factor }) => value * factor, explanation.norm);
      expect(product / explanation.p50).to.be.closeTo(1, 1e-9);
      expect(stretch.models).to.equal(pass.modelsLeft || pass.modelsTotal);
      expect(rows.length).to.be.at.most(6);
      expect(rows.length).to.be.at.least(Math.min(1, explanation.stretches.step));
      expect(explanation.next.p90 / explanation.next.p10).to.be.at.most(explanation.p90 / explanation.p10);
      expect(explanation.next.ifSlower).to.be.within(explanation.p50, explanation.p50 * 1.2);
    }
    expect((await rejected(loadWhy(stores, { pass: 'nothing#1' }, NOW))).message).to.match(/There is no step nothing#1/);
  });

  it('finds rows by commission, words and question', async () => {
    const { stores } = database;
    const page = (more: Partial<Parameters<typeof loadLogPage>[1]>) =>
      loadLogPage(stores, { page: 0, filter: 'all', commission: null, words: '', ...more }, NOW);
    const fair = await page({ commission: 'Harbour fair' });
    expect(fair.rows.length).to.be.greaterThan(10);
    expect(fair.rows.every((row) => row.commission === 'Harbour fair')).to.equal(true);
    const boots = await page({ commission: 'Harbour fair', words: ' BOOTS ' });
    expect(boots.rows.length).to.be.within(1, fair.rows.length - 1);
    expect(boots.rows.every((row) => row.part === 'Boots')).to.equal(true);
    expect((await page({ words: 'no such thing' })).rows).to.deep.equal([]);
    // Sorted over all pages, not the one in sight.
    const counts = (await stores.timeLog.list()).map(({ models }) => models).sort((a, b) => b - a);
    expect((await page({ by: 'models', down: true })).rows.map(({ models }) => models)).to.deep.equal(counts.slice(0, 100));
    expect((await page({ by: 'models', page: 1 })).rows.map(({ models }) => models)).to.deep.equal(counts.reverse().slice(100, 200));
    const [odd] = (await page({ filter: 'to judge' })).rows;
    expect(odd!.odd).to.equal('interrupted');
    await judgeRow(stores, odd!.id, { verdict: 'left out', correctedMinutes: null });
    expect((await page({ filter: 'to judge' })).rows.find((row) => row.id === odd!.id)?.verdict).to.equal('left out');
  });
});
