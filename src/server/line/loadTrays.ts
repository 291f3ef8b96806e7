import { passesOf } from '../../core/scheme/passes';
import type { TraysPicture } from '../../core/views/trays';
import { loadPicture, rosterOf } from '../commissions/loadPicture';
import type { Stores } from '../stores';

/** What the trays of a commission are computed from. */
export async function loadTrays(stores: Stores, commissionId: string | undefined, now: Date): Promise<TraysPicture> {
  const picture = await loadPicture(stores, commissionId, now);
  const { minutesOf, doneModels, ...roster } = rosterOf(picture);
  const passes = picture.units.flatMap((unit) => passesOf(unit, picture.commission.standard).map((pass) => ({ unit, pass })));
  return {
    ...roster,
    revision: picture.commission.revision,
    passMinutes: new Map(passes.map(({ unit, pass }) => [pass.key, minutesOf(unit, pass)])),
    doneModels: new Map(passes.map(({ pass }) => [pass.key, doneModels(pass.key)])),
    hasOpenRun: picture.runs.some(({ run }) => run.closedAt === null),
  };
}
