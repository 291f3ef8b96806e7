import type { BenchEvent } from '../bench/definitions';
import type { BenchRun } from '../formats/commission';
import type { Commission, Unit } from '../scheme/definitions';
import type { JudgedRow } from '../time/definitions';

/** A commission as it is kept: saving is refused when `revision` has moved on. */
export interface StoredCommission extends Commission {
  revision: number;
  createdAt: string;
}

export interface StoredUnit extends Unit {
  commissionId: string;
  schemeRevision: number;
}

/** A unit without its scheme, as Intake edits it. */
export type UnitEntry = Omit<Unit, 'scheme'>;

/** A run without its events. */
export interface StoredRun extends Omit<BenchRun, 'events'> {
  commissionId: string;
}

/** An event with the moment the server had it, and its number in the order of arrival. */
export interface StoredEvent extends BenchEvent {
  seq: number;
  receivedAt: string;
}

export interface StoredLogRow extends JudgedRow {
  id: string;
  /** The run it comes from; null for rows taken in from a file. */
  runId: string | null;
}
