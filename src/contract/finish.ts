import type { BenchClock } from '../core/bench/definitions';
import type { StoredCommission } from '../core/commission/definitions';
import type { Picture } from '../core/commission/pictures';
import type { ScopeChange } from '../core/commission/scope';
import type { Finishing, Return } from '../core/finish/definitions';
import type { SprayTogether } from '../core/finish/curePlan';
import type { PartPots } from '../core/finish/touchUpPots';
import type { RosterUnit } from '../core/plan/build/roster';
import type { HouseRules } from '../core/scheme/model/houseRules';
import type { Pot } from '../core/scheme/model/pots';
import type { PackedMarks } from './bench';

/** What the Finish view is drawn from. Marks are folded on in the view, so that what is found shows at once. */
export interface FinishPicture {
  commission: StoredCommission;
  units: RosterUnit[];
  house: HouseRules;
  /** The shelf, with the mixes of these units among it. */
  paints: Pot[];
  marks: PackedMarks;
  /** Where the clock of the bench stands. */
  clock: BenchClock;
  /** Ids of the latest events that the marks hold. */
  known: string[];
  /** Number of the last event that is in all this. */
  seq: number;
  /** UTC ms. */
  now: number;
  finishing: Finishing;
  /** Of how it ends. */
  revision: number;
  /** When all of it is painted, UTC ms; null where it is, or no sessions hold it. */
  paintedAt: { likely: number; safe: number } | null;
  /** Something is left to paint. */
  isOpen: boolean;
  /** Minutes that one spot of a pass takes to mend, by the log. */
  touchUpMinutes: [passKey: string, minutes: number][];
  /** Changes of scope of which nobody has said what they cost. */
  unpriced: ScopeChange[];
  /** What is to be sprayed in the same session, units of other commissions with it. */
  spray: SprayTogether[];
  pictures: Picture[];
  /** Address that was written to last. */
  lastTo: string;
  /** A quote was accepted: there is a statement. */
  hasStatement: boolean;
  /** Paints that its schemes name and the shelf no longer has, or cannot buy. */
  lostPaints: string[];
  /** What was not done when it was delivered. */
  undoneThen: string[];
}

/** What the client is told of finished models. */
export interface HandOverSheet {
  name: string;
  client: string;
  painter: { name: string; address: string };
  /** The day it is written for, 2026-11-30. */
  on: string;
  units: { name: string; models: number; standard: string; parts: PartPots[]; varnish: string[]; who: string[] }[];
  care: string[];
  undone: string[];
  returns: Return[];
  pictures: { caption: string; jpeg: Uint8Array; width: number; height: number }[];
}

/** What lies in which box. */
export interface PackingList {
  name: string;
  client: string;
  painter: { name: string; address: string };
  on: string;
  /** The last day on which it can go. */
  leavesBy: string;
  carrier: string;
  customs: string;
  boxes: { name: string; models: number; layers: { unit: string; models: number }[] }[];
  units: { name: string; promised: number; owned: number; packed: number; notSent: number; note: string; unpacked: number }[];
  returns: Return[];
}
