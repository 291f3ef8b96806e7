import type { RemovedPiece } from '../../core/scheme/model/removedPiece';

/** What was taken out of the scheme of each unit, by its id. */
export const asideOf =
  (removed: readonly RemovedPiece[]) =>
  (unitId: string): RemovedPiece['piece'][] =>
    removed.filter((each) => each.unitId === unitId).map(({ piece }) => piece);
