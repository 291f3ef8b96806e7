import type { Standard } from '../scheme/model/definitions';
import type { Stage } from '../time/check/insights';

/** What a commission costs, what was agreed, and what it pays. Money is whole minor units of one currency; minutes are at the bench. */

export const MATERIAL_KINDS = ['paint', 'pots', 'holders', 'postage', 'other'] as const;
export type MaterialKind = (typeof MATERIAL_KINDS)[number];

export const MATERIAL_LABELS = {
  paint: 'Paint used',
  pots: 'Pots to buy',
  holders: 'Holders',
  postage: 'Postage and packing',
  other: 'Other',
} as const satisfies Record<MaterialKind, string>;

/** Something bought for the commission, at the price typed. */
export interface Material {
  id: string;
  kind: MaterialKind;
  /** Empty for no more than its kind. */
  what: string;
  amountMinor: number;
}

/** How the painter prices one commission; edited in place. The rate for an hour and the currency are the commission's own. */
export interface QuoteTerms {
  /** Of 100 such jobs so many should stay within the hours that are paid, as a share. */
  chance: number;
  /** Work that is no painting: photographs, mail, packing. */
  otherMinutes: number;
  materials: Material[];
  /** Nothing is done for less, materials and all; 0 for no minimum. */
  minimumMinor: number;
  /** Off the work, for a client who comes again; 0 to 1. */
  discountShare: number;
  /** Of the total, before the work begins; 0 to 1. */
  depositShare: number;
  /** What the painter asks instead of the figure worked out; null for that figure. */
  ownPriceMinor: number | null;
  /** Said to the client below the figures. */
  words: string;
  /** Paid before the work; null while nothing was. */
  depositPaid: { on: string; amountMinor: number } | null;
  /** Said on the statement at hand-over. */
  statementWords: string;
}

export const DEFAULT_TERMS: QuoteTerms = {
  chance: 0.8,
  otherMinutes: 0,
  materials: [],
  minimumMinor: 0,
  discountShare: 0,
  depositShare: 0,
  ownPriceMinor: null,
  words: '',
  depositPaid: null,
  statementWords: '',
};

/** What time on a commission is worth. */
export interface Rate {
  hourlyRateMinor: number;
  currency: string;
  /** Minor units to one of the currency: 100 for most. */
  minorPerMajor: number;
}

/** What a unit takes at the bench, painted from the start: set-up, waiting and touch-up by its share of the work. */
export interface UnitWork {
  unitId: string;
  name: string;
  models: number;
  likely: number;
  /** The same minutes in each draw of the joint posterior. */
  draws: number[];
  /** Likely hands-on minutes, by stage. */
  stages: Record<Stage, number>;
}

/** A line of a quote. */
export interface QuotedUnit extends Omit<UnitWork, 'draws'> {
  /** By itself it stays below this with the chance chosen. */
  safe: number;
  /** Its share of the price of the work; the lines add up. */
  priceMinor: number;
}

/** The price of some work under some terms, and how it comes about. All amounts add up as they stand. */
export interface PricedWork {
  likely: number;
  /** Minutes that are paid: so many are enough with the chance chosen. */
  quoted: number;
  otherMinutes: number;
  units: QuotedUnit[];
  /** Quoted and other minutes at the rate. */
  workMinor: number;
  /** Negative or 0. */
  discountMinor: number;
  /** From there up to whole units of the currency, or to the minimum charge, or to what the painter asks. */
  adjustedMinor: number;
  adjustedFor: 'rounding' | 'minimum' | 'own price';
  otherPriceMinor: number;
  materialsMinor: number;
  totalMinor: number;
  depositMinor: number;
  /** Share of the draws in which the hours that this price pays for are enough. */
  holds: number;
}

/** What was put to the client: all that is needed to print it again and to compare with it later. */
export interface Offer {
  name: string;
  client: string;
  dueOn: string;
  standard: Standard;
  hourlyRateMinor: number;
  currency: string;
  terms: QuoteTerms;
  price: PricedWork;
}

export const QUOTE_ANSWERS = ['accepted', 'changes wanted', 'declined'] as const;
export type QuoteAnswer = (typeof QUOTE_ANSWERS)[number];

/** A revision of the quote of a commission. */
export interface Quote {
  id: string;
  commissionId: string;
  /** 1 for the first of the commission. */
  number: number;
  /** UTC ISO 8601. */
  writtenAt: string;
  /** Empty and null where it was not sent by mail. */
  sentTo: string;
  mailId: string | null;
  note: string;
  answer: QuoteAnswer | null;
  answeredAt: string | null;
  answerNote: string;
  offer: Offer;
}

/** The quote that was agreed: the last that was accepted. Quotes in the order they were written. */
export const agreedQuote = (quotes: readonly Quote[]): Quote | null => quotes.findLast(({ answer }) => answer === 'accepted') ?? null;
