import { toBuy } from '../../core/paint/buying';
import { alongThePlan } from '../../core/paint/stock';
import { howFarOff } from '../../core/paint/learnFilms';
import { howFarOffSeen } from '../../core/paint/learnStrengths';
import { workWords } from '../../core/scheme/model/workWords';
import type { PotJob, ShelfNeed, ShelfPicture } from '../../contract/shelf';
import { benchEstimate } from '../plan/benchEstimate';
import { paintStanding } from '../plan/paintStanding';
import { plannedJobs } from '../plan/plannedJobs';
import { NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { loadWorkshop } from '../workshop/loadWorkshop';

/** The shelf, with what open work takes of it along the bench's plan; of one commission alone where it is named. */
export async function loadShelf(stores: Stores, now: Date, of: string | null = null): Promise<ShelfPicture> {
  const workshop = await loadWorkshop(stores, now);
  const standing = await paintStanding(stores, workshop);
  const ofUnit = new Map(workshop.units.map((unit) => [unit.id, unit.commissionId]));
  if (of !== null && !workshop.commissions.some(({ id }) => id === of))
    throw new NotFoundError('This commission is not open any more: choose another, or all open work.');
  const isOf = (unitId: string) => of === null || ofUnit.get(unitId) === of;
  const { lines } = await benchEstimate(stores, workshop, now);
  const jobs = (await plannedJobs(workshop, lines, now)).filter(({ job }) => isOf(job.unitId));
  const needs = alongThePlan(
    new Map([...standing.amounts].filter(([unitId]) => isOf(unitId))),
    jobs.map(({ job, at }) => ({ unitId: job.unitId, passKey: job.passKey, potId: job.paintId, models: job.models, at })),
    standing.left,
  );
  const told = (index: number): PotJob => {
    const { job, at } = jobs[index]!;
    return { unit: job.unitName, commission: job.commissionName, what: workWords(job, job.partName), at };
  };
  const carried = new Set(standing.used.map(({ paintId }) => paintId));
  const off = howFarOff(standing.measured, standing.factors);
  const seen = await stores.paints.seen();
  return {
    paints: standing.shelf,
    unitsUsing: await stores.paints.unitsUsing(),
    needs: [...needs.values()].map(({ paintId, needMl, byUnit, dry, first }): ShelfNeed => ({
      paintId,
      needMl,
      byCommission: workshop.commissions.flatMap(({ id, name }) => {
        const ml = [...byUnit].reduce((sum, [unit, each]) => sum + (ofUnit.get(unit) === id ? each : 0), 0);
        return ml > 0 ? [{ id, name, ml }] : [];
      }),
      leftMl: standing.left.get(paintId) ?? null,
      dry: dry && { planned: dry.job === null ? null : told(dry.job) },
      first: first === null ? null : told(first),
      isBegun: carried.has(paintId),
    })),
    levels: standing.levels,
    left: Object.fromEntries(standing.left),
    factors: standing.factors,
    foretold: off && { pairs: standing.measured.length, ...off },
    seen: seen.map((each) => {
      const far = howFarOffSeen(each, workshop.paints, workshop.mixer);
      return { ...each, before: far?.before ?? null, after: far?.after ?? null };
    }),
    currency: workshop.house.currency,
    commissions: workshop.commissions.map(({ id, name }) => ({ id, name })),
    of,
    toBuy: toBuy(
      [...needs.values()].map(({ paintId, needMl, dry }) => ({
        paintId,
        needMl,
        leftMl: standing.left.get(paintId) ?? null,
        isDry: dry !== null,
        dryAt: dry?.at ?? null,
      })),
      standing.shelf,
    ),
  };
}
