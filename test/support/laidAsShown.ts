import { expect } from 'chai';
import type { OwnLine } from '../../src/core/line/hand/carryOver';
import { lineFigures, shareMinutes } from '../../src/core/plan/build/lineFigures';
import type { Selection } from '../../src/core/plan/selection';
import type { LinePicture } from '../../src/contract/line';
import { loadBench } from '../../src/server/bench/loadBench';
import { putBackLine, putOnBench } from '../../src/server/bench/putOnBench';
import { passDraws, passFactors } from '../../src/server/workshop/passDraws';
import { queueDates } from '../../src/server/plan/queueDates';
import { loadLegSheet } from '../../src/server/plan/loadLegSheet';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadMoney } from '../../src/server/money/loadMoney';
import type { Stores } from '../../src/server/stores/stores';
import { loadToday } from '../../src/server/today/loadToday';
import { chooseUnits } from '../../src/server/workshop/choice';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';

/** What the Line view shows when it is opened, before any search: the painter's own, else the plan. */
export const shownLine = ({ own, suggested }: LinePicture): OwnLine => own ?? { order: suggested, wishes: [] };

/** What is still to be painted at the bench, in its order: ids of jobs with something left. */
export async function openJobs(stores: Stores, now: Date): Promise<string[]> {
  const picture = await loadBench(stores, now);
  const { marks } = (await loadWorkshop(stores, now)).marks;
  return (picture?.line.jobs ?? [])
    .filter(({ passKey, models }) => models.some((model) => !marks.get(passKey)?.has(model)))
    .map(({ id }) => id);
}

/** Prices of all open commissions as a quote would have them, by name. */
export async function prices(stores: Stores, now: Date): Promise<[string, number][]> {
  const { commissions } = await loadWorkshop(stores, now);
  const found: [string, number][] = [];
  for (const { id, name } of commissions) {
    const { units } = await loadMoney(stores, id, now);
    found.push([name, units.reduce((sum, unit) => sum + unit.likely, 0)]);
  }
  return found;
}

/**
 * Lays a line as the Line view shows it, or as given, and expects every other view to show that very order, its minutes and its
 * dates; that laying it again changes nothing; that no price moved; and that undo brings back what was there.
 */
export async function expectLaidAsShown(stores: Stores, selection: Selection, now: Date, given?: OwnLine): Promise<void> {
  await chooseUnits(stores, { selection });
  const line = await loadLine(stores, now);
  if (line.jobs.length === 0) return;
  const shown = given ?? shownLine(line);
  const total = shareMinutes(lineFigures(line, shown.order, line.sessions?.sessions ?? null).total);
  const workshop = await loadWorkshop(stores, now);
  const factors = await passFactors(await passDraws(workshop));
  const dates = await queueDates(workshop, [{ built: line, order: shown.order }], factors, now);
  const before = { order: await openJobs(stores, now), bench: await stores.workshop.bench(), prices: await prices(stores, now) };

  await putOnBench(stores, { selection: line.selection, line: shown }, now);
  expect(await openJobs(stores, now), 'the order on the bench').to.deep.equal(shown.order);
  const bench = (await loadBench(stores, now))!;
  expect(bench.changes, 'what came and went').to.deep.equal({ added: 0, gone: 0 });
  const again = await loadLine(stores, now);
  if (line.own === null || given === undefined) expect(shownLine(again).order, 'the order on Line').to.deep.equal(shown.order);
  if (line.waitingUnits.length === 0) {
    expect(bench.figures!.likely, 'the minutes on the bench').to.be.closeTo(total, 1e-6);
    const today = await loadToday(stores, now);
    for (const { commission, outlook, isOnBench } of today.commissions) {
      const isWhole = line.selection.some(({ commissionId, unitIds }) => commissionId === commission.id && unitIds === null);
      const date = dates.get(commission.id);
      if (!isWhole || !isOnBench || !date) continue;
      expect([outlook.likelyAt, outlook.safeAt], `the dates of ${commission.name}`).to.deep.equal([date.likelyAt, date.safeAt]);
    }
  }
  if (line.sessions) {
    const sheet = await loadLegSheet(stores, { selection: line.selection, order: shown.order, inSessions: true }, now).catch(() => null);
    if (sheet)
      expect(
        sheet.legs.flatMap(({ jobs }) => jobs.map(({ id }) => id)),
        'the leg sheet',
      ).to.deep.equal(shown.order);
  }
  expect(await prices(stores, now), 'prices').to.deep.equal(before.prices);

  const laid = await stores.workshop.bench();
  await putOnBench(stores, { selection: line.selection, line: shown }, new Date(now.getTime() + 60_000));
  expect(await stores.workshop.bench(), 'the same order laid again').to.deep.equal(laid);
  if (!laid!.replaced || laid!.laidAt === before.bench?.laidAt) return;
  await putBackLine(stores);
  expect(await openJobs(stores, now), 'the order that was there').to.deep.equal(before.order);
  await putBackLine(stores);
  expect(await openJobs(stores, now), 'undone and done again').to.deep.equal(shown.order);
}
