/** What a change of scope is about; an extra is what the painter writes down as added. */
export const SCOPE_SUBJECTS = ['models', 'size', 'unit added', 'unit removed', 'standard', 'due date', 'extra'] as const;
export type ScopeSubject = (typeof SCOPE_SUBJECTS)[number];

/** A change of what was agreed with the client, and what it did to the whole commission. */
export interface ScopeChange {
  id: string;
  commissionId: string;
  /** UTC ISO 8601. */
  at: string;
  /** Null for a change of the commission itself. */
  unitId: string | null;
  /** The unit as it was called then; empty for the commission. */
  unit: string;
  subject: ScopeSubject;
  before: string;
  after: string;
  /** Hands-on minutes of the whole commission; the difference is what this change does to it. */
  minutesBefore: number;
  minutesAfter: number;
  /** Why, and what was said about it. */
  note: string;
  /** What was agreed for it, in minor units; negative where less is paid, 0 where it is free, null while nothing was said. */
  priceMinor: number | null;
  /** When one that was settled was taken back, UTC ISO 8601; null while it stands. */
  takenBackAt: string | null;
}
