import type { Scheme } from '../scheme/model/definitions';

export const REVISION_REASONS = ['approved', 'changes wanted', 'kept'] as const;
export type RevisionReason = (typeof REVISION_REASONS)[number];

/** A scheme as it stood at a moment that counts. */
export interface SchemeRevision {
  id: string;
  unitId: string;
  at: string;
  why: RevisionReason;
  note: string;
  scheme: Scheme;
}
