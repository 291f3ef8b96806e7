/** How a commission ends: what was looked over, how it is packed and sent, what goes back, and how the client keeps it. */

/** How the parcel goes. */
export interface Delivery {
  /** Calendar days that it is on its way; 0 where it is collected or brought. */
  transitDays: number;
  /** Weekdays on which parcels are taken, 0 Monday to 6 Sunday; empty for any day. */
  carrierDays: number[];
  carrier: string;
  /** What the carrier or the customs want to know, in the painter's words. */
  customs: string;
}

/** Models of one unit that lie in one layer of a box. */
export interface Layer {
  id: string;
  unitId: string;
  models: number;
}

export interface Box {
  id: string;
  name: string;
  /** From the bottom. */
  layers: Layer[];
}

export const RETURN_KINDS = ['spare', 'bits', 'lent', 'other'] as const;
export type ReturnKind = (typeof RETURN_KINDS)[number];

export const RETURN_LABELS = {
  spare: 'Spare models',
  bits: 'Bits',
  lent: 'Lent by the client',
  other: 'Something else',
} as const satisfies Record<ReturnKind, string>;

/** Something that is no painted model and goes back to the client. */
export interface Return {
  id: string;
  kind: ReturnKind;
  what: string;
  count: number;
  packed: number;
}

/** What the painter says of something that is not done when it is delivered. */
export interface Answer {
  /** Of `openKey`. */
  key: string;
  answer: string;
}

/** Mended after it was delivered: a job of its own, in none of the hours that were worked before. */
export interface Repair {
  id: string;
  /** The day it came back, 2026-11-30. */
  on: string;
  unitId: string;
  models: number;
  what: string;
  /** Null while nobody has said. */
  minutes: number | null;
  /** Minor units; 0 where it is free, null while nobody has said. */
  priceMinor: number | null;
  done: boolean;
}

/** What is known of the end of a commission beside its marks. */
export interface Finishing {
  delivery: Delivery;
  /** The models stand in a cabinet: nobody handles them, and bare paint is enough. */
  forDisplay: boolean;
  boxes: Box[];
  returns: Return[];
  answers: Answer[];
  repairs: Repair[];
  /** How the client keeps them, below what the program says. */
  care: string;
}

export const ANY_DAY: Delivery = { transitDays: 0, carrierDays: [], carrier: '', customs: '' };

export const NO_FINISHING: Finishing = { delivery: ANY_DAY, forDisplay: false, boxes: [], returns: [], answers: [], repairs: [], care: '' };
