import { lineSessions } from '../../core/calendar/lineSessions';
import { carryOver } from '../../core/line/carryOver';
import { buildLine } from '../../core/scheme/buildLine';
import { hasScheme } from '../../core/scheme/definitions';
import type { LinePicture } from '../../core/views/line';
import { loadPicture, rosterOf } from '../commissions/loadPicture';
import type { Stores } from '../stores';

/** What is left to paint of a commission, as a line. */
export async function loadLine(stores: Stores, commissionId: string | undefined, now: Date): Promise<LinePicture> {
  const picture = await loadPicture(stores, commissionId, now);
  const built = buildLine(rosterOf(picture));
  const own = await stores.ownLines.find(picture.commission.id);
  const leaders = new Map(picture.units.map((unit) => [unit.id, unit.leaders]));
  return {
    ...built,
    treatJobs: built.jobs.filter((job) => job.models.every((model) => model <= leaders.get(job.unitId)!)).map((job) => job.id),
    sessions: lineSessions(built.problem, picture.house.sessions, now.getTime()),
    own: own && built.jobs.length > 0 ? carryOver(built.problem, own) : null,
    waitingUnits: picture.units.filter((unit) => unit.testModel === 'waiting').map((unit) => unit.name),
    unitsWithoutScheme: picture.units.filter((unit) => !hasScheme(unit)).map((unit) => unit.name),
    hasOpenRun: picture.runs.some(({ run }) => run.closedAt === null),
  };
}
