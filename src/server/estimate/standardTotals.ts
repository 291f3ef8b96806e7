import { noMarks } from '../../core/bench/foldMarks';
import type { StandardTotals } from '../../core/calendar/backPlan';
import { lineSessions } from '../../core/calendar/lineSessions';
import { carryOver } from '../../core/line/hand/carryOver';
import { buildLineInSteps } from '../../core/scheme/buildLine';
import { approved, STANDARDS, type Standard } from '../../core/scheme/definitions';
import { lineFigures, shareMinutes } from '../../core/scheme/lineFigures';
import { safetyMinutes } from '../../core/time/forecast';
import type { UnitAtStandard } from '../../core/views/intakeFigures';
import { wholeCommission } from '../../core/views/selection';
import type { StoredCommission } from '../../core/views/stored';
import { inSlices, letOthersIn } from '../inSlices';
import type { Stores } from '../stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { rosterOf, workOf } from '../workshop/roster';
import { supposedOrder } from './plannedOrder';

const DRAWS = 200;
const SEED = 20;

/** What a commission would take at each standard if it were painted from the start, by the painter's own times and by the order it is planned in. */
export async function standardTotals(
  stores: Stores,
  workshop: Workshop,
  commission: StoredCommission,
  units: readonly WorkUnit[],
  now: Date,
): Promise<{ totals: StandardTotals[]; units: UnitAtStandard[] }> {
  const unpainted = { ...workshop, marks: noMarks() };
  const lineAt = async (standard: Standard) => {
    const its = units.map((unit) => approved({ ...unit, standard }));
    return { its, built: await inSlices(buildLineInSteps(rosterOf(unpainted, its))) };
  };
  const paidFor = await lineAt(commission.standard);
  const order = await supposedOrder(stores, workshop, wholeCommission(commission.id), paidFor.built, now);
  const totals: StandardTotals[] = [];
  const ofUnits: UnitAtStandard[] = [];
  for (const standard of STANDARDS) {
    const { its, built } = standard === commission.standard ? paidFor : await lineAt(standard);
    const own = built.jobs.length === 0 ? [] : carryOver(built.problem, { order, wishes: [] }).order;
    await letOthersIn();
    const sessions = own.length === 0 ? null : lineSessions(built.problem, workshop.house.sessions, now.getTime());
    const { total, byUnit } = lineFigures(built, own, sessions?.sessions ?? null);
    const draws = await inSlices(
      workshop.model.simulate([its.flatMap((unit) => workOf(unit, workshop.house, () => new Set()))], DRAWS, SEED),
    );
    const likely = shareMinutes(total);
    totals.push({ standard, handsOn: total.handsOn, likely, safe: likely + safetyMinutes(draws[0]!) });
    // Set-up and waiting are of the whole line: a unit bears them by the work that it is.
    const onTop = total.handsOn > 0 ? likely / total.handsOn : 1;
    for (const unit of its) {
      const handsOn = byUnit.get(unit.id)?.handsOn ?? 0;
      ofUnits.push({ unitId: unit.id, standard, handsOn, likely: handsOn * onTop });
    }
  }
  return { totals, units: ofUnits };
}
