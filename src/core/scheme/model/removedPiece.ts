import type { Part, Step } from './definitions';

/** Something taken out of a scheme, kept so that it can be put back. */
export interface RemovedPiece {
  id: string;
  unitId: string;
  removedAt: string;
  /** A whole part, or a step of the part named (null: a step over everything). */
  piece: { kind: 'part'; part: Part } | { kind: 'step'; step: Step; partId: string | null };
}
