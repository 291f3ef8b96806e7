import type { ScopeChange } from '../commission/scope';
import { addedSince } from './agreedPrice';
import type { UnknownWork } from './rowHours';
import type { Quote, Rate } from './definitions';
import { minutesPrice } from './priceWork';

/** What was worked and what is left, minutes at the bench. */
export interface HoursStanding {
  /** Painting with its set-ups, as logged; steps without a known time at their estimate. */
  painted: number;
  /** Those steps. */
  unknown: UnknownWork;
  /** Work that is no painting, as its clock measured it. */
  other: number;
  leftLikely: number;
  leftSafe: number;
  /** Other work that was quoted and is not done yet. */
  otherLeft: number;
  /** Share of the painting that is done, 0 to 1. */
  done: number;
}

/** What is earned for so many minutes; null for the hour while nothing was worked. */
export interface Earning {
  minutes: number;
  earnedMinor: number;
  perHourMinor: number | null;
}

/** The agreed price against the hours. */
export interface Pay {
  quotedMinor: number;
  /** Additions whose price was said; negative where less is done. */
  addedMinor: number;
  materialsMinor: number;
  /** Price and additions less materials: what the work earns. */
  workMinor: number;
  /** Changes nobody has priced yet, at the rate. */
  unsettledMinor: number;
  /** Work added at no price, and what it would be at the rate. */
  free: { minutes: number; minor: number };
  soFar: Earning;
  likely: Earning;
  safe: Earning;
}

/** Hands-on minutes that a change of scope adds; negative where it takes away. */
export const scopeMinutes = ({ minutesBefore, minutesAfter }: Pick<ScopeChange, 'minutesBefore' | 'minutesAfter'>): number =>
  minutesAfter - minutesBefore;

/**
 * What a change of scope would be at the rate, in whole units of the currency.
 *
 * @example scopePrice({ minutesBefore: 60, minutesAfter: 90 }, { hourlyRateMinor: 2400, currency: 'EUR', minorPerMajor: 100 }) // 1200
 */
export const scopePrice = (change: Pick<ScopeChange, 'minutesBefore' | 'minutesAfter'>, rate: Rate): number =>
  Math.round(minutesPrice(scopeMinutes(change), rate) / rate.minorPerMajor) * rate.minorPerMajor || 0;

/**
 * What a commission pays: the agreed price with its dated additions, less materials, over the hours that went and will go into it.
 * So far the share of the painting that is done is earned. Changes of scope before the quote was written are in the quote.
 */
export function payOf(quote: Quote, changes: readonly ScopeChange[], hours: HoursStanding, rate: Rate): Pay {
  const { totalMinor, materialsMinor } = quote.offer.price;
  const since = changes.filter(({ at }) => at > quote.writtenAt);
  const addedMinor = addedSince(quote, changes);
  const unsettled = since.filter(({ priceMinor }) => priceMinor === null);
  const given = since.filter((change) => change.priceMinor === 0 && scopeMinutes(change) > 0);
  const freeMinutes = given.reduce((sum, change) => sum + scopeMinutes(change), 0);
  const workMinor = totalMinor + addedMinor - materialsMinor;
  const earning = (minutes: number, earnedMinor: number): Earning => ({
    minutes,
    earnedMinor,
    perHourMinor: minutes > 0 ? (earnedMinor / minutes) * 60 : null,
  });
  const worked = hours.painted + hours.other;
  return {
    quotedMinor: totalMinor,
    addedMinor,
    materialsMinor,
    workMinor,
    unsettledMinor: unsettled.reduce((sum, change) => sum + scopePrice(change, rate), 0),
    free: { minutes: freeMinutes, minor: minutesPrice(freeMinutes, rate) },
    soFar: earning(worked, workMinor * hours.done),
    likely: earning(worked + hours.leftLikely + hours.otherLeft, workMinor),
    safe: earning(worked + hours.leftSafe + hours.otherLeft, workMinor),
  };
}
