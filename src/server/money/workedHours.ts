import type { UnitHours } from '../../core/money/compareQuote';
import type { HoursStanding } from '../../core/money/payOf';
import { otherMinutesOf } from '../../core/bench/otherWork';
import { doneModels } from '../../core/bench/foldMarks';
import { approved } from '../../core/scheme/definitions';
import { stageMinutes, type Stage } from '../../core/time/insights';
import { minutesThatCount } from '../../core/time/definitions';
import type { StoredCommission, StoredLogRow } from '../../core/views/stored';
import { commissionEstimate } from '../estimate/benchEstimate';
import { stagesOf } from '../estimate/fromTheStart';
import type { Stores } from '../stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { workOf } from '../workshop/roster';

export interface WorkedHours {
  hours: HoursStanding;
  units: UnitHours[];
  stages: Record<'took' | 'left', Record<Stage, number>>;
}

/** Hands-on minutes of a row with its set-up; nothing while nobody knows them, or where the painter left it out. */
const rowMinutes = (row: StoredLogRow): number => (row.verdict === 'left out' ? 0 : (minutesThatCount(row) ?? 0) + (row.setupMinutes ?? 0));

/** What went into the units of a commission, those taken out since too, and what is left of it; nothing is left of a closed one. */
export async function workedHours(
  stores: Stores,
  workshop: Workshop,
  commission: StoredCommission,
  units: readonly WorkUnit[],
  otherQuoted: number,
  now: Date,
): Promise<WorkedHours> {
  const estimate = commission.closedAt === null ? await commissionEstimate(stores, workshop, commission.id, now) : null;
  const names = new Map((await stores.commissions.allUnits(commission.id)).map((unit) => [unit.id, unit.name]));
  const rows = workshop.log.filter(({ unitId }) => unitId !== null && names.has(unitId));
  const took = new Map<string, number>();
  for (const row of rows) took.set(row.unitId!, (took.get(row.unitId!) ?? 0) + rowMinutes(row));
  const there = new Set(units.map((unit) => unit.id));
  const shown = [...units.map((unit) => unit.id), ...[...took.keys()].filter((id) => !there.has(id))];
  const left = new Map(estimate?.units.map((unit) => [unit.unitId, unit.likely]));
  const other = otherMinutesOf(await stores.otherWork.ofCommissions([commission.id]), now.getTime());
  return {
    hours: {
      painted: [...took.values()].reduce((sum, minutes) => sum + minutes, 0),
      other,
      leftLikely: estimate?.likely ?? 0,
      leftSafe: estimate?.safe ?? 0,
      otherLeft: estimate ? Math.max(0, otherQuoted - other) : 0,
      done: estimate ? (estimate.wholeHandsOn > 0 ? 1 - estimate.handsOn / estimate.wholeHandsOn : 0) : 1,
    },
    units: shown.map((unitId) => ({ unitId, name: names.get(unitId) ?? '', took: took.get(unitId) ?? 0, left: left.get(unitId) ?? 0 })),
    stages: { took: stageMinutes(rows), left: estimate ? stagesLeft(workshop, units) : { build: 0, base: 0, tail: 0 } },
  };
}

const stagesLeft = (workshop: Workshop, units: readonly WorkUnit[]): Record<Stage, number> =>
  stagesOf(
    workshop,
    units.flatMap((unit) => workOf(approved(unit), workshop.house, (passKey) => doneModels(workshop.marks.marks, passKey))),
  );
