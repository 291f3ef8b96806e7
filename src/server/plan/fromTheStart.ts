import { noMarks } from '../../core/bench/replay/foldMarks';
import { lineSessions } from '../../core/plan/dates/lineSessions';
import { carryOver } from '../../core/line/hand/carryOver';
import type { UnitWork } from '../../core/money/definitions';
import { buildLineInSteps, type BuiltLine } from '../../core/plan/build/buildLine';
import { approved, modelsOf, type Standard } from '../../core/scheme/model/definitions';
import { lineFigures, shareMinutes } from '../../core/plan/build/lineFigures';
import { stretchMinutes } from '../../core/time/fit/learningCurve';
import { stageOf, type Stage } from '../../core/time/check/insights';
import { safeMinutes } from '../../core/plan/dates/forecast';
import { inSlices, letOthersIn } from '../running/inSlices';
import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { rosterOf, workOf } from '../workshop/roster';
import { DRAWS, DRAW_SEED } from '../workshop/passDraws';
import { orderFromTheStart } from './orderFromTheStart';

/** What a commission would take if it were painted from the start, by the painter's own times and in a good order of its own. */
export interface WorkFromTheStart {
  handsOn: number;
  likely: number;
  safe: number;
  units: (UnitWork & { handsOn: number })[];
}

interface Asked {
  commissionId: string;
  /** What the order is planned for; others go by the same order. */
  paidFor: Standard;
  units: readonly WorkUnit[];
}

const ORDER = memoKey<Promise<string[]>>('orders from the start');
const WORKED_OUT = memoKey<Promise<WorkFromTheStart>>('work from the start, at a standard');

/**
 * At a standard, begun tomorrow: how late it is today must not move a price. All standards go by the order of the one paid for, so
 * that they can be compared.
 */
export async function fromTheStart(
  stores: Stores,
  workshop: Workshop,
  asked: Asked,
  standard: Standard,
  now: Date,
): Promise<WorkFromTheStart> {
  const of = `${asked.commissionId} ${startOfTomorrow(now)} ${unitsKey(asked.units)}`;
  const order = await workshop.memory.once(ORDER, () => orderFromTheStart(stores, workshop, asked.units, asked.paidFor), of);
  return workshop.memory.once(WORKED_OUT, () => workedOut(workshop, asked.units, standard, order, now), `${of} ${standard}`);
}

const unitsKey = (units: readonly WorkUnit[]) => units.map((unit) => `${unit.id}*${modelsOf(unit)}`).join();

const startOfTomorrow = (now: Date) => new Date(now).setHours(24, 0, 0, 0);

async function lineAt(workshop: Workshop, units: readonly WorkUnit[], standard: Standard): Promise<{ its: WorkUnit[]; built: BuiltLine }> {
  const its = units.map((unit) => approved({ ...unit, standard }));
  return { its, built: await inSlices(buildLineInSteps(rosterOf({ ...workshop, marks: noMarks() }, its))) };
}

async function workedOut(
  workshop: Workshop,
  units: readonly WorkUnit[],
  standard: Standard,
  order: readonly string[],
  now: Date,
): Promise<WorkFromTheStart> {
  const { its, built } = await lineAt(workshop, units, standard);
  const own = built.jobs.length === 0 ? [] : carryOver(built.problem, { order: [...order], wishes: [] }).order;
  await letOthersIn();
  const sessions = own.length === 0 ? null : lineSessions(built.problem, { ...workshop.house, away: [] }, startOfTomorrow(now));
  const { total, byUnit } = lineFigures(built, own, sessions?.sessions ?? null);
  await letOthersIn();
  const work = its.map((unit) => workOf(unit, workshop, () => new Set()));
  const draws = await inSlices(workshop.model.simulate(work, DRAWS, DRAW_SEED));
  const likely = shareMinutes(total);
  // Set-up, waiting and touch-up are of the whole line: a unit bears them by the work that it is.
  const onTop = total.handsOn > 0 ? (likely - total.handsOn) / total.handsOn : 0;
  const all = new Float64Array(DRAWS);
  const ofUnits = its.map((unit, index) => {
    const handsOn = byUnit.get(unit.id)?.handsOn ?? 0;
    const inDraws = draws[index]!;
    inDraws.forEach((minutes, draw) => (all[draw]! += minutes));
    return {
      unitId: unit.id,
      name: unit.name,
      models: modelsOf(unit),
      handsOn,
      likely: handsOn * (1 + onTop),
      draws: Array.from(inDraws, (minutes) => minutes + handsOn * onTop),
      stages: stagesOf(workshop, work[index]!),
    };
  });
  return { handsOn: total.handsOn, likely, safe: safeMinutes(total, all), units: ofUnits };
}

/** Likely hands-on minutes of work, by stage. */
export function stagesOf({ model }: Workshop, work: ReturnType<typeof workOf>): Record<Stage, number> {
  const stages: Record<Stage, number> = { build: 0, base: 0, tail: 0 };
  for (const item of work) stages[stageOf(item.kind)] += stretchMinutes(model.curve(item.kind), item) * item.effort;
  return stages;
}
