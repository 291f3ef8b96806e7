import type { Standard, Unit } from '../scheme/model/definitions';

/** An order for painted models. */
export interface Commission {
  id: string;
  name: string;
  client: string;
  /** Calendar day: 2026-11-30. */
  dueOn: string;
  standard: Standard;
  /** Minor units of the currency for an hour at the bench. */
  hourlyRateMinor: number;
  /** ISO 4217. */
  currency: string;
  note: string;
}

/** A commission as it is kept: saving is refused when `revision` has moved on. */
export interface StoredCommission extends Commission {
  revision: number;
  createdAt: string;
  /** Handed over and put away; null while it is open. */
  closedAt: string | null;
  /** When its scope was agreed with the client; null while it is still being put together. */
  agreedAt: string | null;
}

export interface StoredUnit extends Unit {
  commissionId: string;
  schemeRevision: number;
}
