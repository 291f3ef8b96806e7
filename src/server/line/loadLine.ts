import { buildLine, type BuiltLine } from '../../core/scheme/buildLine';
import { loadPicture, rosterOf, type Picture } from '../commissions/loadPicture';
import type { Stores } from '../stores';

/** Everything the Line view computes from. */
export interface LinePicture extends BuiltLine {
  /** Units whose batch waits for the client's word on a test model. */
  waitingUnits: string[];
  unitsWithoutScheme: string[];
  hasOpenRun: boolean;
}

export async function loadLine(stores: Stores, commissionId: string | undefined, now: Date): Promise<LinePicture> {
  return linePicture(await loadPicture(stores, commissionId, now));
}

export function linePicture(picture: Picture): LinePicture {
  return {
    ...buildLine(rosterOf(picture)),
    waitingUnits: picture.units.filter((unit) => unit.testModel === 'waiting').map((unit) => unit.name),
    unitsWithoutScheme: picture.units.filter((unit) => unit.scheme.parts.length + unit.scheme.allOver.length === 0).map((unit) => unit.name),
    hasOpenRun: picture.runs.some(({ run }) => run.closedAt === null),
  };
}
