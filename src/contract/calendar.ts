import type { Away } from '../core/scheme/model/houseRules';

/** What a calendar file would take out of the sessions; nothing is changed yet. */
export interface AwayRead {
  /** All that is taken by then: those of the same id take the place of earlier ones. */
  away: Away[];
  added: number;
  changed: number;
  /** Minutes of sessions that fall away. */
  minutes: number;
  /** When each commission that has work left is done, cautiously, UTC ms: now and then; null where no sessions hold it. */
  dates: { name: string; before: number | null; after: number | null }[];
}
