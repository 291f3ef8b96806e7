import { buildLine } from '../../core/scheme/buildLine';
import { hasScheme } from '../../core/scheme/definitions';
import type { LinePicture } from '../../core/views/line';
import { loadPicture, rosterOf } from '../commissions/loadPicture';
import type { Stores } from '../stores';

/** What is left to paint of a commission, as a line. */
export async function loadLine(stores: Stores, commissionId: string | undefined, now: Date): Promise<LinePicture> {
  const picture = await loadPicture(stores, commissionId, now);
  return {
    ...buildLine(rosterOf(picture)),
    waitingUnits: picture.units.filter((unit) => unit.testModel === 'waiting').map((unit) => unit.name),
    unitsWithoutScheme: picture.units.filter((unit) => !hasScheme(unit)).map((unit) => unit.name),
    hasOpenRun: picture.runs.some(({ run }) => run.closedAt === null),
  };
}
