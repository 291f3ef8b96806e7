import { backPlan } from '../../core/calendar/backPlan';
import { endOfDay, minutesBetween } from '../../core/calendar/benchSessions';
import { modelsOf } from '../../core/scheme/definitions';
import { passesOf } from '../../core/scheme/passes';
import { reconcile } from '../../core/scheme/reconcile';
import type { IntakeFigures } from '../../core/views/intakeFigures';
import { benchEstimate } from '../estimate/benchEstimate';
import { standardTotals } from '../estimate/standardTotals';
import type { Stores } from '../stores';
import { loadTestModels } from '../testModel/loadTestModels';
import { findOpenCommission, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';

const DAY_MS = 86_400_000;
const WEEK_MS = 7 * DAY_MS;

/** Reconciliation, prices by standard, the plan back from the date, and the changes of scope of a commission as things stand. */
export async function loadIntakeFigures(stores: Stores, id: string | undefined, now: Date): Promise<IntakeFigures> {
  const { workshop, commission, units } = await findOpenCommission(stores, id, now);
  const estimate = await benchEstimate(stores, workshop, now);
  const left = estimate.commissions.get(commission.id)!;
  const { totals, units: atStandards } = await standardTotals(stores, workshop, commission, units, now);
  const cureDays = Math.max(0, ...units.map((unit) => cureDaysOf(unit, workshop)));
  const { sessions } = workshop.house;
  const inWeek = minutesBetween(sessions, now.getTime(), now.getTime() + WEEK_MS);
  return {
    reconciliation: units.map((unit) => reconcile(unit, workshop.marks, workshop.house)),
    totals,
    units: atStandards,
    outlook: estimate.outlooks.get(commission.id)!,
    cureDays,
    backPlan:
      left.stepsTotal === 0
        ? null
        : backPlan({
            sessionMinutes: minutesBetween(
              sessions,
              now.getTime(),
              Math.max(now.getTime(), endOfDay(commission.dueOn) - cureDays * DAY_MS),
            ),
            queuedMinutes: estimate.outlooks.get(commission.id)?.queuedMinutes ?? 0,
            totals,
            paidFor: commission.standard,
            left,
            units: units.map((unit) => ({
              unitId: unit.id,
              name: unit.name,
              models: modelsOf(unit),
              handsOnLeft: left.units.find(({ unitId }) => unitId === unit.id)?.handsOn ?? 0,
            })),
            sessionLength: sessions.length === 0 ? 0 : inWeek / sessions.length,
          }),
    testModels: await loadTestModels(stores, workshop, units),
    scope: await stores.scope.ofCommission(commission.id),
    agreedAt: commission.agreedAt,
  };
}

/** A varnish cures for a day; where another kind goes over it, one day more. */
function cureDaysOf(unit: WorkUnit, { house }: Workshop): number {
  const pots = passesOf(unit, unit.standard, house)
    .filter(({ step }) => step.technique === 'varnish')
    .map(({ dips }) => dips[0]!.potId);
  return new Set(pots).size;
}
