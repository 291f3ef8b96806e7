import { DAY_MS } from '../../core/kernel/timeUnits';
import { dryAt } from '../../core/bench/guide/readiness';
import { benchSessions } from '../../core/plan/dates/benchSessions';
import { hasOpenCount, hasScheme, isWaiting, modelsOf } from '../../core/scheme/model/definitions';
import { passesOf } from '../../core/scheme/passes/passes';
import { progressSince } from '../../core/finish/progress';
import { undoneOf } from '../../core/commission/undone';
import { openModels } from '../../core/scheme/passes/splitTrays';
import type { DateOutlook } from '../../core/plan/dates/forecast';
import { paintedShare } from '../../core/commission/estimate';
import type { ScopeChange } from '../../core/commission/scope';
import type { DryingRow, Today, TodayCommission } from '../../contract/today';
import { shortPaints } from '../../core/paint/shortPaints';
import { paintStanding } from '../plan/paintStanding';
import { benchEstimate, type BenchEstimate } from '../plan/benchEstimate';
import { letOthersIn } from '../running/inSlices';
import type { Stores } from '../stores/stores';
import { chosenUnits } from '../workshop/choice';
import { askedSessions } from '../workshop/askedSessions';
import { loadWorkshop, type Workshop, type WorkUnit } from '../workshop/loadWorkshop';
import { commissionDates } from '../workshop/commissionDates';
import { lastSession } from './lastSession';
import { planTonight } from './planTonight';

const WEEK_MS = 7 * DAY_MS;

/** Every open commission with its standing, in the order of the dates, and what the bench is about tonight. */
export async function loadToday(stores: Stores, now: Date): Promise<Today> {
  const workshop = await loadWorkshop(stores, now);
  const estimate = await benchEstimate(stores, workshop, now);
  const outlooks = await estimate.outlooks();
  const order = await stores.workshop.bench();
  const onBench = order ? chosenUnits(workshop, order.selection) : [];
  const tonight = await planTonight(stores, workshop, now);
  await letOthersIn();
  const changes = await stores.scope.unpricedOf(workshop.commissions.map(({ id }) => id));
  const { shelf, left, amounts } = await paintStanding(stores, workshop);
  const paintIds = new Set(tonight?.jobs.map((job) => job.paintId));
  return {
    now: now.getTime(),
    corrections: await stores.bench.corrections(),
    commissions: workshop.commissions.map((commission) => describe(workshop, commission, { ...estimate, outlooks, changes }, onBench, now)),
    askedSessions: askedSessions(workshop),
    sessions: benchSessions(workshop.house, now.getTime(), now.getTime() + WEEK_MS),
    tonight,
    paints: [...workshop.pots.values()].filter(({ id }) => paintIds.has(id)).map(({ id, name, hex }) => ({ id, name, hex })),
    bench:
      estimate.bench && onBench.some((unit) => canBePainted(unit, workshop))
        ? {
            names: [...new Set(onBench.map((unit) => unit.commissionName))],
            lastWorkedAt: lastWorkedAt(onBench, workshop),
            painted: paintedShare(estimate.bench),
          }
        : null,
    lastSession: lastSession(workshop, now),
    progress: await progressNow(stores, workshop, now),
    openRows: workshop.log.filter((row) => row.open !== null && row.correctedMinutes === null && row.verdict === 'unsure').length,
    isDemo: await stores.demo.isAllDemo(),
    shortPaints: shortPaints(shelf, left, [...amounts.values()]),
    closed: (await stores.commissions.listClosed()).length,
  };
}

async function progressNow(stores: Stores, workshop: Workshop, now: Date): Promise<Today['progress']> {
  const since = (at: number) => progressSince(workshop.units, workshop.marks, workshop.house, at);
  const week = since(now.getTime() - WEEK_MS);
  const pictures = await stores.pictures.ofUnits(week.ready.map(({ unitId }) => unitId));
  const shown = pictures.filter(({ kind }) => kind !== 'reference');
  return {
    today: since(new Date(now).setHours(0, 0, 0, 0)),
    week,
    // The latest of each unit.
    pictures: Object.fromEntries(shown.map(({ unitId, id }) => [unitId!, id])),
  };
}

interface Standing extends Pick<BenchEstimate, 'commissions'> {
  outlooks: ReadonlyMap<string, DateOutlook>;
  /** Of which nobody has said what they cost. */
  changes: readonly ScopeChange[];
}

function describe(
  workshop: Workshop,
  commission: Workshop['commissions'][number],
  { commissions, outlooks, changes }: Standing,
  onBench: readonly WorkUnit[],
  now: Date,
): TodayCommission {
  const units = workshop.units.filter((unit) => unit.commissionId === commission.id);
  const { passes: _passes, units: _units, ...estimate } = commissions.get(commission.id)!;
  return {
    commission,
    models: units.reduce((sum, unit) => sum + modelsOf(unit), 0),
    units: units.length,
    estimate,
    outlook: outlooks.get(commission.id)!,
    leavesBy: commissionDates(workshop).find(({ id }) => id === commission.id)!.leavesBy,
    undone: undoneOf({
      units,
      marks: workshop.marks,
      house: workshop.house,
      changes: changes.filter(({ commissionId }) => commissionId === commission.id),
      now: now.getTime(),
    }).filter(({ kind }) => kind !== 'left' && kind !== 'left-out'),
    openCounts: units.filter(hasOpenCount).map((unit) => unit.name),
    waitingTestModels: units.filter(isWaiting).map((unit) => unit.name),
    unitsWithoutScheme: units.filter((unit) => !hasScheme(unit)).map((unit) => unit.name),
    drying: units.flatMap((unit) => dryingRows(unit, workshop, now.getTime())),
    isOnBench: units.some((unit) => onBench.includes(unit) && canBePainted(unit, workshop)),
    canBePainted: units.some((unit) => canBePainted(unit, workshop)),
  };
}

/** Something of the unit is left that waits for nobody. */
function canBePainted(unit: WorkUnit, { marks, house }: Workshop): boolean {
  const open = new Set(openModels(unit));
  return passesOf(unit, unit.standard, house).some((pass) =>
    pass.models.some((model) => open.has(model) && !marks.marks.get(pass.key)?.has(model)),
  );
}

function dryingRows(unit: WorkUnit, { marks, house }: Workshop, now: number): DryingRow[] {
  return passesOf(unit, unit.standard, house).flatMap((pass) => {
    const wet = [...(marks.marks.get(pass.key)?.values() ?? [])].filter((mark) => dryAt(mark) > now);
    if (wet.length === 0) return [];
    return [{ unitName: unit.name, what: pass.where ?? 'everything', models: wet.length, lastDryAt: Math.max(...wet.map(dryAt)) }];
  });
}

function lastWorkedAt(units: readonly WorkUnit[], { marks, house }: Workshop): number | null {
  let last: number | null = null;
  for (const unit of units)
    for (const pass of passesOf(unit, unit.standard, house))
      for (const mark of marks.marks.get(pass.key)?.values() ?? []) last = Math.max(last ?? 0, mark.at);
  return last;
}
