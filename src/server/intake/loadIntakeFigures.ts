import { DAY_MS } from '../../core/kernel/timeUnits';
import { backPlan } from '../../core/commission/backPlan';
import { minutesBetween } from '../../core/plan/dates/benchSessions';
import { rateOf } from '../../core/money/currency';
import { agreedPrice } from '../../core/money/agreedPrice';
import { byHours, priceWork } from '../../core/money/priceWork';
import { modelsOf } from '../../core/scheme/model/definitions';
import { reconcile } from '../../core/commission/reconcile';
import type { IntakeFigures } from '../../contract/intakeFigures';
import { benchEstimate } from '../plan/benchEstimate';
import { atEachStandard } from '../plan/atEachStandard';
import { leftAtStandards } from '../plan/leftAtStandards';
import { allUnits } from '../plan/allUnits';
import type { Stores } from '../stores/stores';
import { loadTestModels } from './loadTestModels';
import { commissionDates } from '../workshop/commissionDates';
import { undoneNow } from '../plan/undoneNow';
import { findOpenCommission } from '../workshop/loadWorkshop';

const WEEK_MS = 7 * DAY_MS;

/** Reconciliation, prices by standard, the plan back from the date, and the changes of scope of a commission as things stand. */
export async function loadIntakeFigures(stores: Stores, id: string | undefined, now: Date): Promise<IntakeFigures> {
  const { workshop, commission, units } = await findOpenCommission(stores, id, now);
  const estimate = await benchEstimate(stores, workshop, now);
  const left = estimate.commissions.get(commission.id)!;
  const outlook = (await estimate.outlooks()).get(commission.id)!;
  const standards = await atEachStandard(stores, workshop, commission, units, now);
  const totals = standards.map(({ standard, handsOn, likely, safe }) => ({ standard, handsOn, likely, safe }));
  const { terms } = await stores.quotes.terms(commission.id);
  const scope = await stores.scope.ofCommission(commission.id);
  const { by, leavesBy, cureDays } = commissionDates(workshop).find(({ id: each }) => each === commission.id)!;
  const { sessions } = workshop.house;
  const inWeek = minutesBetween({ ...workshop.house, away: [] }, now.getTime(), now.getTime() + WEEK_MS);
  return {
    reconciliation: units.map((unit) => reconcile(unit, workshop.marks, workshop.house)),
    totals,
    units: standards.flatMap(({ standard, units: its }) =>
      its.map(({ unitId, handsOn, likely }) => ({ unitId, standard, handsOn, likely })),
    ),
    prices: standards.map(({ standard, units: its }) => ({
      standard,
      totalMinor: priceWork([allUnits(its)], byHours(terms), rateOf(commission)).totalMinor,
    })),
    agreedMinor: agreedPrice(await stores.quotes.ofCommission(commission.id), scope, terms),
    chance: terms.chance,
    outlook,
    leavesBy,
    cureDays,
    backPlan:
      left.stepsTotal === 0
        ? null
        : backPlan({
            sessionMinutes: minutesBetween(workshop.house, now.getTime(), Math.max(now.getTime(), by)),
            queuedMinutes: outlook.queuedMinutes,
            left: leftAtStandards(workshop, units, { paidFor: commission.standard, left, whole: totals }),
            paidFor: commission.standard,
            units: units.map((unit) => ({
              unitId: unit.id,
              name: unit.name,
              models: modelsOf(unit),
              handsOnLeft: left.units.find(({ unitId }) => unitId === unit.id)?.handsOn ?? 0,
            })),
            sessionLength: sessions.length === 0 ? 0 : inWeek / sessions.length,
          }),
    testModels: await loadTestModels(stores, workshop, units),
    scope,
    agreedAt: commission.agreedAt,
    undone: await undoneNow(stores, commission, now),
  };
}
