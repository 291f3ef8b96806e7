import { expect } from 'chai';
import { buildLine } from '../../src/core/plan/build/buildLine';
import { lineFigures } from '../../src/core/plan/build/lineFigures';
import { wholeCommission } from '../../src/core/plan/selection';
import { rosterFrom } from '../../src/contract/trays';
import { loadBench } from '../../src/server/bench/loadBench';
import { loadFigures } from '../../src/server/bench/loadFigures';
import { loadColours } from '../../src/server/plan/loadColours';
import { loadIntake } from '../../src/server/intake/loadIntake';
import { loadIntakeFigures } from '../../src/server/intake/loadIntakeFigures';
import { loadPasses, loadScheme } from '../../src/server/schemes/loadScheme';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadMoney } from '../../src/server/money/loadMoney';
import { loadTrays } from '../../src/server/plan/loadTrays';
import type { StoredLogRow } from '../../src/core/log/definitions';
import type { Stores } from '../../src/server/stores/stores';
import { loadToday } from '../../src/server/today/loadToday';
import { chooseUnits } from '../../src/server/workshop/choice';

const STANDINGS = ['safe', 'likely', 'short'];

/** Every pot with models to do has minutes, and all pots together have no more than the work that is left. */
async function expectColours(stores: Stores, now: Date): Promise<void> {
  const { rows } = await loadColours(stores, now);
  for (const { paint, left, minutes } of rows) expect(minutes > 0, `${paint.name}: ${left} left, ${minutes} min`).to.equal(left > 0);
  const { commissions } = await loadToday(stores, now);
  const handsOn = commissions.reduce((sum, { estimate }) => sum + estimate.handsOn, 0);
  expect(
    rows.reduce((sum, { minutes }) => sum + minutes, 0),
    'Colours and Today',
  ).to.be.at.most(handsOn + 1e-6);
}

/** The hours that money is worked out from are those of the rows, added up here by hand; only work without a known time is estimated. */
async function expectRows(stores: Stores, now: Date): Promise<void> {
  const log = await stores.timeLog.list();
  for (const { id, name } of await stores.commissions.listOpen()) {
    const { hours } = await loadMoney(stores, id, now);
    const own = new Set(await stores.commissions.unitIds(id));
    const rows = log.filter(({ unitId }) => unitId !== null && own.has(unitId));
    const isKnown = ({ verdict, open, correctedMinutes }: StoredLogRow) =>
      verdict !== 'left out' && (open === null || correctedMinutes !== null);
    const known = rows.filter(isKnown).reduce((sum, row) => sum + (row.correctedMinutes ?? row.minutes) + (row.setupMinutes ?? 0), 0);
    const unknown = rows.filter((row) => !isKnown(row));
    expect(hours.painted - hours.unknown.minutes, `what went into ${name}`).to.be.closeTo(known, 1e-6);
    expect(hours.unknown.steps).to.equal(unknown.reduce((sum, { models }) => sum + models, 0));
    expect(hours.unknown.minutes > 0).to.equal(unknown.length > 0);
  }
}

/** Reads the same figures from every view and compares them. */
export async function expectOneNumber(stores: Stores, now: Date): Promise<void> {
  const today = await loadToday(stores, now);
  for (const { commission, estimate } of today.commissions) {
    const intake = await loadIntake(stores, commission.id, now);
    const scheme = await loadScheme(stores, commission.id, now);
    const { passes, units, ...figures } = intake.estimate;
    expect(figures, 'Today and Intake').to.deep.equal(estimate);
    expect(scheme.estimate.passes, 'Scheme and Intake').to.deep.equal(passes);
    expect(await loadPasses(stores, commission.id, now)).to.deep.equal(scheme.estimate);
    const { totals, backPlan } = await loadIntakeFigures(stores, commission.id, now);
    if (backPlan) {
      const standings = backPlan.fits.map(({ standing }) => STANDINGS.indexOf(standing));
      const paid = backPlan.fits.find(({ standard }) => standard === commission.standard)!;
      expect(paid.standing, `the date of ${commission.name} and the standard paid for`).to.equal(backPlan.standing);
      expect(standings, 'a higher standard takes longer').to.deep.equal(standings.toSorted((a, b) => a - b));
      const priced = totals.find(({ standard }) => standard === commission.standard)!;
      // A poor order on the line takes longer than what the work is priced by.
      if (estimate.stepsDone === 0 && Math.abs(estimate.likely / priced.likely - 1) < 0.1)
        for (const [index, { safe }] of totals.entries())
          if (Math.abs(safe / backPlan.availableMinutes - 1) > 0.1)
            expect(standings[index] === 0, 'nothing painted: all is left').to.equal(safe < backPlan.availableMinutes);
    }
    const paidFor = totals.find(({ standard }) => standard === commission.standard)!;
    expect(paidFor.handsOn, `the standard paid for, ${commission.name}`).to.be.closeTo(estimate.wholeHandsOn, 1e-6);
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
    const order = line.own?.order ?? line.suggested;
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
    if (isAlone) expect((await loadTrays(stores, now)).plannedMinutes, 'Trays').to.be.closeTo(estimate.likely, 1e-6);
    if (line.withWaiting !== null && isAlone) expect(line.withWaiting).to.be.closeTo(estimate.likely, 1e-6);
    expect(buildLine(rosterFrom(await loadTrays(stores, now))).problem, 'Trays and Line').to.deep.equal(line.problem);
  }
  const bench = await loadBench(stores, now);
  await expectColours(stores, now);
  await expectRows(stores, now);
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
