import type { BenchEvent } from '../bench/definitions';
import type { OwnLine } from '../line/hand/carryOver';
import type { Commission, Paint, Part, Step, Unit } from '../scheme/definitions';
import type { JudgedRow, KeptJudgement } from '../time/definitions';
import type { Selection } from './selection';

/** A commission as it is kept: saving is refused when `revision` has moved on. */
export interface StoredCommission extends Commission {
  revision: number;
  createdAt: string;
  /** Handed over and put away; null while it is open. */
  closedAt: string | null;
  /** When its scope was agreed with the client; null while it is still being put together. */
  agreedAt: string | null;
}

/** A paint as it is on the shelf: saving is refused when `revision` has moved on. */
export interface StoredPaint extends Paint {
  revision: number;
}

export interface StoredUnit extends Unit {
  commissionId: string;
  schemeRevision: number;
}

/** A unit without its scheme, as Intake edits it. */
export type UnitEntry = Omit<Unit, 'scheme'>;

/** An event with the moment the server had it, and its number in the order of arrival. */
export interface StoredEvent extends BenchEvent {
  seq: number;
  receivedAt: string;
}

export interface StoredLogRow extends JudgedRow {
  id: string;
  /** The bench event that begins it; null for rows that a file brought. */
  eventId: string | null;
  /** What the painter said of it, as it is kept; null where nothing was said. */
  said: KeptJudgement | null;
}

/** The line on the bench: an order over chosen units, laid at a moment. */
export interface BenchOrder extends OwnLine {
  selection: Selection;
  laidAt: string;
  /** The line that was on the bench before, so that it can be put back; null when there was none. */
  replaced: Omit<BenchOrder, 'replaced'> | null;
}

/** Something taken out of a scheme, kept so that it can be put back. */
export interface RemovedPiece {
  id: string;
  unitId: string;
  removedAt: string;
  /** A whole part, or a step of the part named (null: a step over everything). */
  piece: { kind: 'part'; part: Part } | { kind: 'step'; step: Step; partId: string | null };
}
