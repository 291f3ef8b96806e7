import { expect } from 'chai';
import { buildLine } from '../../src/core/scheme/buildLine';
import { lineFigures } from '../../src/core/scheme/lineFigures';
import { rosterFrom } from '../../src/core/views/trays';
import { wholeCommission } from '../../src/core/views/selection';
import { saveSuggestion } from '../../src/server/line/saveOwnLine';
import { loadBench } from '../../src/server/bench/loadBench';
import { loadFigures } from '../../src/server/bench/loadFigures';
import { loadIntake } from '../../src/server/commissions/loadIntake';
import { loadScheme } from '../../src/server/commissions/loadScheme';
import { loadEstimate } from '../../src/server/estimate/loadEstimate';
import { loadLine } from '../../src/server/line/loadLine';
import { loadTrays } from '../../src/server/line/loadTrays';
import { loadToday } from '../../src/server/today/loadToday';
import { chooseUnits } from '../../src/server/workshop/choice';
import type { Stores } from '../../src/server/stores';
import { demoDatabase, testDatabase, type TestDatabase } from '../support/database';
import { Random, seeds } from '../support/random';
import { minute, NOW, TestShop, unitEntry } from '../support/shop';

/** Reads the same figures from every view and compares them. */
async function expectOneNumber(stores: Stores, now: Date): Promise<void> {
  const today = await loadToday(stores, now);
  for (const { commission, estimate } of today.commissions) {
    const intake = await loadIntake(stores, commission.id, now);
    const scheme = await loadScheme(stores, commission.id, now);
    const { passes, units, ...figures } = intake.estimate;
    expect(figures, 'Today and Intake').to.deep.equal(estimate);
    expect(scheme.estimate, 'Scheme and Intake').to.deep.equal(intake.estimate);
    expect(await loadEstimate(stores, commission.id, now)).to.deep.equal(intake.estimate);
    expect(estimate.likely).to.be.closeTo(estimate.handsOn + estimate.setUp + estimate.waiting + estimate.touchUp, 1e-9);
    for (const of of ['handsOn', 'setUp', 'waiting', 'touchUp', 'likely', 'wholeHandsOn', 'stepsDone', 'stepsTotal'] as const)
      expect(
        units.reduce((sum, unit) => sum + unit[of], 0),
        `units of ${commission.name}: ${of}`,
      ).to.be.closeTo(estimate[of], 1e-6);
    expect(passes.reduce((sum, pass) => sum + pass.unitMinutes, 0)).to.be.closeTo(estimate.wholeHandsOn, 1e-6);

    await chooseUnits(stores, { selection: wholeCommission(commission.id) });
    const line = await loadLine(stores, now);
    if (line.jobs.length === 0 || line.stepsWithoutPaint.length > 0) continue;
    const order = line.own?.order ?? line.planned;
    const { total } = lineFigures(line, order, line.sessions?.sessions ?? null);
    const bench = today.bench && (await stores.workshop.bench());
    const isAlone =
      !bench ||
      bench.selection.every((each) => each.commissionId === commission.id && each.unitIds === null) ||
      !bench.selection.some((each) => each.commissionId === commission.id);
    if (line.waitingUnits.length === 0 && isAlone)
      expect(total.handsOn + total.setUp + total.waiting + total.touchUp, `Line of ${commission.name}`).to.be.closeTo(
        estimate.likely,
        1e-6,
      );
    if (line.withWaiting !== null && isAlone) expect(line.withWaiting).to.be.closeTo(estimate.likely, 1e-6);
    expect(buildLine(rosterFrom(await loadTrays(stores, now))).problem, 'Trays and Line').to.deep.equal(line.problem);
  }
  const bench = await loadBench(stores, now);
  if (!bench) return;
  expect((await loadFigures(stores, now)).figures).to.deep.equal(bench.figures);
  const selection = (await stores.workshop.bench())!.selection;
  const whole = today.commissions.filter(({ commission }) =>
    selection.some((each) => each.commissionId === commission.id && each.unitIds === null),
  );
  if (selection.every((each) => each.unitIds === null))
    expect(
      whole.reduce((sum, { estimate }) => sum + estimate.likely, 0),
      'Bench and Today',
    ).to.be.closeTo(bench.figures!.likely, 1e-6);
}

describe('one number', function () {
  this.timeout(60_000);

  it('is the same in every view of the demo', async () => {
    const { database } = await demoDatabase(NOW);
    await expectOneNumber(database.stores, NOW);
    await expectOneNumber(database.stores, minute(37));
    await database.close();
  });

  it('follows a better order in every view as soon as a search has found it', async () => {
    const { database } = await demoDatabase(NOW);
    const { stores } = database;
    const { id } = (await stores.commissions.listOpen())[1]!;
    await chooseUnits(stores, { selection: wholeCommission(id) });
    const line = await loadLine(stores, NOW);
    const before = await loadEstimate(stores, id, NOW);
    const worse = buildLine(rosterFrom(await loadTrays(stores, NOW))).problem;
    const { enteredOrder } = await import('../../src/core/line/precedence');
    const { compileLine } = await import('../../src/core/line/compileLine');
    const order = Array.from(enteredOrder(compileLine(worse)), (job) => worse.jobs[job]!.id);
    await saveSuggestion(stores, { selection: line.selection, order }, NOW);
    const after = await loadEstimate(stores, id, NOW);
    expect(after.handsOn).to.equal(before.handsOn);
    expect(after.likely).to.not.equal(before.likely);
    await expectOneNumber(stores, NOW);
    await database.close();
  });

  for (const seed of seeds(6)) {
    it(`is the same in every view while work goes on (workshop ${seed})`, async () => {
      const random = new Random(seed);
      const database = await testDatabase();
      const shop = new TestShop(database);
      const made: { id: string }[] = [];
      for (let count = 0; count < random.whole(1, 3); count++)
        made.push(
          await shop.commission(`Order ${count}`, [
            unitEntry('Keepers', { promised: random.whole(2, 9), leaders: random.whole(0, 2), trayLimit: random.whole(2, 5) }),
            unitEntry('Cutters', { promised: random.whole(2, 9), testModel: random.pick(['none', 'none', 'waiting'] as const) }),
          ]),
        );
      await shop.putOnBench(random.chance(0.5) ? made[0]!.id : made.flatMap(({ id }) => wholeCommission(id)));
      const { line } = await shop.bench();
      let at = 0;
      for (const pass of line.passes.slice(0, random.whole(1, 4))) {
        await shop.record(shop.painting(pass, pass.models.slice(0, random.whole(1, pass.models.length)), 1 + random.uniform() * 3, at));
        at += 60;
        await expectOneNumber(shop.stores, minute(at));
      }
      await database.close();
    });
  }

  it('changes by the minutes done and nothing else when a job takes exactly as long as estimated', async () => {
    const { database, id } = await demoDatabase(NOW);
    const { stores } = database;
    const shop = new TestShop(database);
    const bench = await shop.bench();
    const job = bench.line.jobs.find((each) => each.models.every((model) => !bench.marks.marks.get(each.passKey)?.has(model)))!;
    const pass = bench.line.passes.find((each) => each.key === job.passKey)!;
    const { leaders, leaderFactor } = bench.line.units.find((unit) => unit.id === pass.unitId)!;
    const before = await loadEstimate(stores, id, NOW);
    const minutes = (model: number) => pass.minutes * (model <= leaders ? leaderFactor : 1);
    let at = 0;
    const events = [shop.event(0, 'started', shop.of(pass))];
    for (const model of job.models) events.push(shop.event((at += minutes(model)), 'done', { ...shop.of(pass), models: [model] }));
    await shop.record(events);
    const after = await loadEstimate(stores, id, NOW);
    expect(after.handsOn).to.be.closeTo(before.handsOn - at, 0.05);
    expect(after.safe - after.likely).to.be.closeTo(before.safe - before.likely, 3);
    expect(after.wholeHandsOn).to.be.closeTo(before.wholeHandsOn, 0.05);
    await database.close();
  });
});
