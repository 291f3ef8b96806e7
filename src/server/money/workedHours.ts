import type { UnitHours } from '../../core/money/compareQuote';
import { rowHours, unknownWork, type RowHours } from '../../core/money/rowHours';
import type { HoursStanding } from '../../core/money/payOf';
import { otherMinutesOf } from '../../core/bench/otherWork';
import { doneModels } from '../../core/bench/replay/foldMarks';
import { approved } from '../../core/scheme/model/definitions';
import { stageOf, type Stage } from '../../core/time/check/insights';
import { paintedShare } from '../../core/commission/estimate';
import type { StoredCommission } from '../../core/commission/definitions';
import type { StoredLogRow } from '../../core/log/definitions';
import { commissionEstimate } from '../plan/benchEstimate';
import { stagesOf } from '../plan/fromTheStart';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { workOf } from '../workshop/roster';

/** The rows of a commission, and what they come to by unit; of an open one also what is left. */
export interface WorkedUnits {
  rows: RowHours<StoredLogRow>[];
  units: UnitHours[];
}

/** What went into the units of a commission, those taken out since too, and what is left of them; nothing is left of a closed one. */
export async function workedUnits(
  stores: Stores,
  workshop: Workshop,
  commission: StoredCommission,
  units: readonly WorkUnit[],
  now: Date,
): Promise<WorkedUnits> {
  const estimate = await openEstimate(stores, workshop, commission, now);
  const names = await stores.commissions.unitNames(await stores.commissions.unitIds(commission.id));
  const rows = rowHours(
    workshop.log.filter(({ unitId }) => unitId !== null && names.has(unitId)),
    workshop.model,
  );
  const took = new Map<string, number>(units.map((unit) => [unit.id, 0]));
  for (const { row, handsOn, setUp } of rows) took.set(row.unitId!, (took.get(row.unitId!) ?? 0) + handsOn + setUp);
  const left = new Map(estimate?.units.map((unit) => [unit.unitId, unit.likely]));
  return {
    rows,
    units: [...took].map(([unitId, minutes]) => ({ unitId, name: names.get(unitId)!, took: minutes, left: left.get(unitId) ?? 0 })),
  };
}

/** Where a commission stands with its hours; `otherQuoted` are the minutes of other work that were priced. */
export async function hoursStanding(
  stores: Stores,
  workshop: Workshop,
  commission: StoredCommission,
  { units, rows }: WorkedUnits,
  otherQuoted: number,
  now: Date,
): Promise<HoursStanding> {
  const estimate = await openEstimate(stores, workshop, commission, now);
  const other = otherMinutesOf(await stores.otherWork.ofCommissions([commission.id]), now.getTime());
  const painted = units.reduce((sum, { took }) => sum + took, 0);
  const worked = { painted, other, unknown: unknownWork(rows) };
  if (!estimate) return { ...worked, leftLikely: 0, leftSafe: 0, otherLeft: 0, done: 1 };
  return {
    ...worked,
    leftLikely: estimate.likely,
    leftSafe: estimate.safe,
    otherLeft: Math.max(0, otherQuoted - other),
    done: paintedShare(estimate),
  };
}

/** Hands-on minutes by stage: what the rows took, and what is left. */
export const workedStages = (
  workshop: Workshop,
  { closedAt }: StoredCommission,
  units: readonly WorkUnit[],
  { rows }: WorkedUnits,
): Record<'took' | 'left', Record<Stage, number>> => ({
  took: tookByStage(rows),
  left: stagesOf(
    workshop,
    closedAt === null
      ? units.flatMap((unit) => workOf(approved(unit), workshop, (passKey) => doneModels(workshop.marks.marks, passKey)))
      : [],
  ),
});

function tookByStage(rows: WorkedUnits['rows']): Record<Stage, number> {
  const minutes: Record<Stage, number> = { build: 0, base: 0, tail: 0 };
  for (const { row, handsOn } of rows) minutes[stageOf(row)] += handsOn;
  return minutes;
}

const openEstimate = (stores: Stores, workshop: Workshop, { id, closedAt }: StoredCommission, now: Date) =>
  closedAt === null ? commissionEstimate(stores, workshop, id, now) : null;
