import { packMarks } from '../../contract/bench';
import type { FinishPicture } from '../../contract/finish';
import { agreedQuote } from '../../core/money/definitions';
import { sprayTogether } from '../../core/finish/curePlan';
import { paintsOfScheme } from '../../core/scheme/model/pots';
import { passesOf, type Pass } from '../../core/scheme/passes/passes';
import { foldClock } from '../../core/bench/replay/foldClock';
import { benchEstimate } from '../plan/benchEstimate';
import type { Stores } from '../stores/stores';
import type { Workshop, WorkUnit } from '../workshop/loadWorkshop';
import { rosterOf } from '../workshop/roster';
import { finishScene } from './finishScene';

/** Enough of the latest taps to tell those that a window has made itself. */
const EVENTS_KNOWN = 300;

/** A commission at its end: what stands on its models, how it is packed and sent, and when it can go. */
export async function loadFinish(stores: Stores, id: string | undefined, now: Date): Promise<FinishPicture> {
  const { workshop, commission, units, marks } = await finishScene(stores, id, now);
  const { finishing, revision } = await stores.finishing.load(commission.id);
  const outlook = commission.closedAt === null ? await outlookOf(stores, workshop, commission.id, now) : null;
  const all = rosterOf(workshop, workshop.units);
  const { paints } = rosterOf(workshop, units);
  const together = sprayTogether(workshop.units, workshop.marks, all);
  const own = new Set(units.map((unit) => unit.id));
  const latest = await stores.bench.latest(EVENTS_KNOWN);
  const scope = await stores.scope.ofCommission(commission.id);
  return {
    commission,
    units,
    house: workshop.house,
    paints: [...paints.values()].filter((pot) => usedPots(units, workshop).has(pot.id)),
    marks: packMarks(marks),
    clock: foldClock(latest).clock,
    known: latest.map((event) => event.id),
    seq: await stores.bench.lastSeq(),
    now: now.getTime(),
    finishing,
    revision,
    paintedAt: outlook,
    isOpen: units.some((unit) =>
      passesOf(unit, unit.standard, workshop.house).some((pass) => pass.models.some((model) => !marks.marks.get(pass.key)?.has(model))),
    ),
    touchUpMinutes: units.flatMap((unit) => touchUpMinutes(unit, workshop)),
    unpriced: scope.filter(({ priceMinor }) => priceMinor === null),
    spray: together.filter((can) => can.units.some(({ unitId }) => own.has(unitId))),
    pictures: (await stores.pictures.ofCommission(commission.id)).filter(({ removedAt }) => removedAt === null),
    lastTo: await stores.testRounds.lastTo(commission.id),
    hasStatement: agreedQuote(await stores.quotes.ofCommission(commission.id)) !== null,
    lostPaints: await lostPaints(stores, units),
    undoneThen: commission.closedAt === null ? [] : await stores.commissions.undone(commission.id),
  };
}

async function outlookOf(stores: Stores, workshop: Workshop, id: string, now: Date): Promise<FinishPicture['paintedAt']> {
  const { likelyAt, safeAt } = (await (await benchEstimate(stores, workshop, now)).outlooks()).get(id)!;
  return likelyAt === null || safeAt === null ? null : { likely: likelyAt, safe: safeAt };
}

const usedPots = (units: readonly WorkUnit[], { house }: Workshop): Set<string> =>
  new Set(units.flatMap((unit) => passesOf(unit, unit.standard, house).flatMap(({ dips }) => dips.flatMap(({ potId }) => potId ?? []))));

/** A spot is mended as touch-ups have gone before. */
function touchUpMinutes(unit: WorkUnit, workshop: Workshop): [string, number][] {
  const { minutesOf } = rosterOf(workshop, [unit]);
  const asTouchUp = (pass: Pass): Pass => ({ ...pass, step: { ...pass.step, technique: 'touchup' } });
  return passesOf(unit, unit.standard, workshop.house).map((pass) => [
    pass.key,
    minutesOf(unit, asTouchUp(pass), { done: 0, models: 1, weight: 1 }),
  ]);
}

/** Opened again after a year, a pot may be gone: said before somebody reaches for it. */
async function lostPaints(stores: Stores, units: readonly WorkUnit[]): Promise<string[]> {
  const shelf = new Map((await stores.paints.shelf()).map((paint) => [paint.id, paint]));
  const ids = new Set(units.flatMap(({ scheme }) => [...paintsOfScheme(scheme)]));
  return [...ids].flatMap((id) => {
    const paint = shelf.get(id);
    if (!paint) return ['a paint that was taken off the shelf'];
    if (paint.spoilt) return [`${paint.name}: spoilt`];
    return paint.discontinued ? [`${paint.name}: not sold any more`] : [];
  });
}
