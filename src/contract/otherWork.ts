import type { OtherWork } from '../core/bench/otherWork';

/** The clock of other work, and what was done lately. */
export interface OtherWorkPicture {
  /** Program time, UTC ms. */
  now: number;
  running: OtherWork | null;
  /** Of the commission asked for, or of all that are open; newest first. */
  work: OtherWork[];
  /** Open commissions, to choose from. */
  commissions: { id: string; name: string }[];
}
