import { groupBy } from '../../core/kernel/groupBy';
import { MINUTE_MS } from '../../core/kernel/timeUnits';
import { minutesBetween } from '../../core/plan/dates/benchSessions';
import { doneModels } from '../../core/bench/replay/foldMarks';
import { approved } from '../../core/scheme/model/definitions';
import { lineFigures, shareMinutes, type JobShare, type LineFigures } from '../../core/plan/build/lineFigures';
import { effortOf, passesOf } from '../../core/scheme/passes/passes';
import type { StepCurve, StepKind } from '../../core/time/definitions';
import type { StretchAhead } from '../../core/scheme/passes/stretchAhead';
import { safeMinutes, standingOf, type DateOutlook, type DoneDates } from '../../core/plan/dates/forecast';
import { stretchMinutes } from '../../core/time/fit/learningCurve';
import type { CommissionEstimate, PassEstimate, PassEstimates, UnitEstimate, WorkFigures } from '../../core/commission/estimate';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { lineLeft } from '../workshop/builtLine';
import { commissionDates } from '../workshop/commissionDates';
import { datedLine } from '../workshop/datedLine';
import { workOf, type UnitWorkItem } from '../workshop/roster';
import { memoKey } from '../running/Memory';
import type { Stores } from '../stores/stores';
import { letOthersIn } from '../running/inSlices';
import { DRAWS, passDraws, passFactors } from '../workshop/passDraws';
import { linesAhead, type LineAhead } from './linesAhead';
import { plannedOrder } from './plannedOrder';
import { ordersFound } from './suggestedOrder';
import { queueDates, type QueuedLine } from './queueDates';

/** What the whole bench still has before it, from one plan and one set of draws. */
export interface BenchEstimate {
  commissions: ReadonlyMap<string, CommissionEstimate>;
  /** How each date stands; worked out when it is asked for first, as most views show none and every line is timed under many draws for it. */
  outlooks: () => Promise<ReadonlyMap<string, DateOutlook>>;
  /** Figures of the line that lies on the bench; null when none does. */
  bench: WorkFigures | null;
  /** The bench's queue, one line after the other, each in the order it is planned in. */
  lines: readonly QueuedLine[];
}

const ESTIMATED = memoKey<{ of: string; estimate: Promise<BenchEstimate>; isDone: boolean }>('the estimate of a minute');

/** The estimate as things stand; worked out once for each minute of an unchanged workshop. */
export async function benchEstimate(stores: Stores, workshop: Workshop, now: Date): Promise<BenchEstimate> {
  const of = `${Math.floor(now.getTime() / MINUTE_MS)} ${ordersFound(stores)}`;
  const { memory } = workshop;
  const known = memory.get(ESTIMATED);
  // Very much work takes longer than a minute: whoever asks meanwhile waits for the same.
  if (known && (known.of === of || !known.isDone)) return known.estimate;
  const next = { of, estimate: estimateBench(stores, workshop, now), isDone: false };
  memory.set(ESTIMATED, next);
  next.estimate.then(
    () => (next.isDone = true),
    () => memory.get(ESTIMATED) === next && memory.forget(ESTIMATED),
  );
  return next.estimate;
}

/** The estimate of one commission. */
export async function commissionEstimate(stores: Stores, workshop: Workshop, commissionId: string, now: Date): Promise<CommissionEstimate> {
  return (await benchEstimate(stores, workshop, now)).commissions.get(commissionId)!;
}

async function estimateBench(stores: Stores, workshop: Workshop, now: Date): Promise<BenchEstimate> {
  const units = new Map<string, UnitWork>();
  for (const unit of workshop.units) {
    units.set(unit.id, unitWork(workshop, approved(unit)));
    await letOthersIn();
  }
  const all = [...units.values()];
  const draws = await passDraws(workshop);
  for (const unit of all)
    for (const { passKey } of unit.passes) draws.minutes.get(passKey)?.forEach((minutes, draw) => (unit.draws[draw]! += minutes));
  const pieces = await linesAhead(stores, workshop);
  const shares = new Map<string, JobShare>();
  const queued = new Map<string, number>();
  const lines: QueuedLine[] = [];
  let bench: WorkFigures | null = null;
  let queuedMinutes = 0;
  for (const piece of pieces) {
    const planned = await plannedFigures(stores, workshop, piece, now);
    await letOthersIn();
    for (const [unit, share] of planned.figures.byUnit) shares.set(unit, share);
    if (planned.order.length > 0) lines.push({ built: planned.built, order: planned.order });
    const whole = figuresFrom(
      piece.units.map((unit) => units.get(unit.id)!),
      planned.figures.total,
    );
    if (piece.isBench) bench = whole;
    for (const { commissionId } of piece.units) queued.set(commissionId, queuedMinutes);
    queuedMinutes += whole.likely;
  }
  const commissions = commissionEstimates(workshop, units, shares);
  let outlooks: Promise<ReadonlyMap<string, DateOutlook>> | null = null;
  const workOut = async () => {
    const dates = await queueDates(workshop, lines, await passFactors(draws), now);
    return outlooksOf(workshop, { commissions, dates, queued }, now);
  };
  const forgetting = (error: unknown) => {
    outlooks = null;
    throw error;
  };
  return { commissions, outlooks: () => (outlooks ??= workOut().catch(forgetting)), bench, lines };
}

interface Queue {
  commissions: ReadonlyMap<string, CommissionEstimate>;
  dates: ReadonlyMap<string, DoneDates>;
  /** Likely minutes of the work before it, by commission. */
  queued: ReadonlyMap<string, number>;
}

const outlooksOf = (workshop: Workshop, { commissions, dates, queued }: Queue, now: Date): Map<string, DateOutlook> =>
  new Map(
    commissionDates(workshop).map(({ id, by }): [string, DateOutlook] => {
      // Where nothing is to be painted, any date is met.
      const done = dates.get(id) ?? { chance: 1, likelyAt: null, safeAt: null };
      const standing = standingOf(dates.has(id) ? commissions.get(id)!.likely : 0, done.chance);
      const sessionMinutes = minutesBetween(workshop.house, now.getTime(), by);
      return [id, { ...done, standing, sessionMinutes, queuedMinutes: queued.get(id) ?? 0 }];
    }),
  );

function commissionEstimates(
  workshop: Workshop,
  units: ReadonlyMap<string, UnitWork>,
  shares: ReadonlyMap<string, JobShare>,
): Map<string, CommissionEstimate> {
  return new Map(
    workshop.commissions.map(({ id }) => {
      const own = [...units.values()].filter((unit) => unit.commissionId === id);
      const ofUnits = own.map((unit): UnitEstimate => ({ unitId: unit.id, ...figuresFrom([unit], shares.get(unit.id)) }));
      const share = sumOf(own.flatMap((unit) => shares.get(unit.id) ?? []));
      return [id, { ...figuresFrom(own, share), units: ofUnits, passes: own.flatMap((unit) => unit.passes) }];
    }),
  );
}

/** The work of a unit: its passes as the time model sees them. */
interface UnitWork {
  id: string;
  commissionId: string;
  passes: PassEstimate[];
  draws: Float64Array;
}

function unitWork(workshop: Workshop, unit: WorkUnit): UnitWork {
  const { model, marks, house } = workshop;
  const passDone = (passKey: string) => doneModels(marks.marks, passKey);
  const left = byPass(workOf(unit, workshop, passDone));
  const whole = byPass(workOf(unit, workshop, () => NOTHING));
  const passes = passesOf(unit, unit.standard, house).map((pass): PassEstimate => {
    const all = whole.get(pass.key)!;
    const next = left.get(pass.key) ?? all;
    const { p80, normMinutes, why } = model.estimate(all.kind, next);
    const curve = model.curve(all.kind);
    return {
      passKey: pass.key,
      unitId: unit.id,
      p50: next.minutes(curve) / next.weight,
      p80,
      normMinutes,
      why,
      modelsLeft: left.get(pass.key)?.models ?? 0,
      modelsTotal: pass.models.length,
      wholeP50: all.minutes(curve) / all.weight,
      unitMinutes: all.minutes(curve) * effortOf(pass),
    };
  });
  return { id: unit.id, commissionId: unit.commissionId, passes, draws: new Float64Array(DRAWS) };
}

const NOTHING: ReadonlySet<number> = new Set();

/** The stretches of a pass together. */
interface PassWork extends StretchAhead {
  kind: StepKind;
  /** Likely, for models that count as easy whole coats. */
  minutes: (curve: StepCurve) => number;
}

function byPass(items: readonly UnitWorkItem[]): Map<string, PassWork> {
  return new Map(
    [...groupBy(items, ({ passKey }) => passKey)].map(([key, own]) => [
      key,
      {
        kind: own[0]!.kind,
        done: own[0]!.done,
        models: own.reduce((sum, item) => sum + item.models, 0),
        weight: own.reduce((sum, item) => sum + item.weight, 0),
        minutes: (curve: StepCurve) => own.reduce((sum, item) => sum + stretchMinutes(curve, item), 0),
      },
    ]),
  );
}

/** What the passes of these units take, without any plan: quick enough to follow every edit of a scheme. */
export const passEstimates = (workshop: Workshop, units: readonly WorkUnit[]): PassEstimates => ({
  passes: units.flatMap((unit) => unitWork(workshop, approved(unit)).passes),
});

const sumOf = (shares: readonly JobShare[]): JobShare => ({
  handsOn: shares.reduce((sum, share) => sum + share.handsOn, 0),
  setUp: shares.reduce((sum, share) => sum + share.setUp, 0),
  waiting: shares.reduce((sum, share) => sum + share.waiting, 0),
  touchUp: shares.reduce((sum, share) => sum + share.touchUp, 0),
});

function figuresFrom(units: readonly UnitWork[], share: JobShare = sumOf([])): WorkFigures {
  const handsOn = new Float64Array(DRAWS);
  for (const { draws } of units) draws.forEach((minutes, draw) => (handsOn[draw]! += minutes));
  const passes = units.flatMap((unit) => unit.passes);
  const stepsTotal = passes.reduce((sum, pass) => sum + pass.modelsTotal, 0);
  return {
    ...share,
    likely: shareMinutes(share),
    safe: safeMinutes(share, handsOn),
    wholeHandsOn: passes.reduce((sum, pass) => sum + pass.unitMinutes, 0),
    stepsDone: stepsTotal - passes.reduce((sum, pass) => sum + pass.modelsLeft, 0),
    stepsTotal,
  };
}

/** One line's figures, planned by itself from now on. Test models that wait are taken as approved. */
export async function figuresOf(
  stores: Stores,
  workshop: Workshop,
  piece: Pick<LineAhead, 'selection' | 'units'>,
  now: Date,
): Promise<LineFigures> {
  return (await plannedFigures(stores, workshop, piece, now)).figures;
}

async function plannedFigures(
  stores: Stores,
  workshop: Workshop,
  { selection, units }: Pick<LineAhead, 'selection' | 'units'>,
  now: Date,
): Promise<QueuedLine & { figures: LineFigures }> {
  const its = units.map(approved);
  const built = await lineLeft(workshop, its);
  const order = await plannedOrder(stores, workshop, { selection, units: its }, built, now);
  await letOthersIn();
  const dated = await datedLine(workshop, built, now);
  await letOthersIn();
  return { built, order, figures: lineFigures(built, order, dated?.sessions.sessions ?? null) };
}
