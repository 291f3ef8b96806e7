import { quantile } from '../kernel/quantile';
import type { PricedWork, QuotedUnit, QuoteTerms, Rate, UnitWork } from './definitions';

const MINUTES_PER_HOUR = 60;

/**
 * The price of work under the painter's terms. The hours that are paid are the quantile `terms.chance` of the draws of all units
 * together, so what they share (a painter who is slow this month) does not average out; they are never fewer than the likely ones.
 * The work is rounded up to whole units of the currency, after the discount; materials stand as typed. Units share the price of
 * the work by their own hours that hold. Throws a `RangeError` where units have another number of draws than the first.
 */
export function priceWork(units: readonly UnitWork[], terms: QuoteTerms, rate: Rate): PricedWork {
  const likely = units.reduce((sum, unit) => sum + unit.likely, 0);
  const draws = summedDraws(units);
  const quoted = Math.max(likely, quantileOf(draws, terms.chance));
  const { otherMinutes } = terms;
  const workMinor = Math.round(minutesPrice(quoted + otherMinutes, rate));
  const discountMinor = -Math.round(workMinor * terms.discountShare) || 0;
  const materialsMinor = terms.materials.reduce((sum, { amountMinor }) => sum + amountMinor, 0);
  const netMinor = workMinor + discountMinor;
  const { chargedMinor, adjustedFor } = chargedFor(netMinor, materialsMinor, terms, rate);
  const totalMinor = chargedMinor + materialsMinor;
  const paidMinutes = netMinor === 0 ? quoted : ((quoted + otherMinutes) * chargedMinor) / netMinor - otherMinutes;
  const safe = units.map((unit) => Math.max(unit.likely, quantileOf(Float64Array.from(unit.draws), terms.chance)));
  const lines = shareOut(chargedMinor, [...safe, otherMinutes], rate.minorPerMajor);
  return {
    likely,
    quoted,
    otherMinutes,
    units: units.map(({ draws: _draws, ...unit }, index): QuotedUnit => ({ ...unit, safe: safe[index]!, priceMinor: lines[index]! })),
    workMinor,
    discountMinor,
    adjustedMinor: chargedMinor - netMinor,
    adjustedFor,
    otherPriceMinor: lines[units.length]!,
    materialsMinor,
    totalMinor,
    depositMinor: wholeUp(totalMinor * terms.depositShare, rate),
    holds: draws.length === 0 ? 1 : draws.filter((minutes) => minutes <= paidMinutes + 1e-9).length / draws.length,
  };
}

/** The same terms without a price of the painter's own. */
export const byHours = (terms: QuoteTerms): QuoteTerms => ({ ...terms, ownPriceMinor: null });

/** Minutes at the rate, in minor units, not rounded. */
export const minutesPrice = (minutes: number, { hourlyRateMinor }: Pick<Rate, 'hourlyRateMinor'>): number =>
  (minutes / MINUTES_PER_HOUR) * hourlyRateMinor;

/** Less than a hundredth of a minor unit above a whole one is no reason to charge one more. */
const SLACK = 0.01;
const wholeUp = (minor: number, { minorPerMajor }: Rate): number => Math.ceil((minor - SLACK) / minorPerMajor) * minorPerMajor || 0;

function chargedFor(
  discountedMinor: number,
  materialsMinor: number,
  { ownPriceMinor, minimumMinor }: QuoteTerms,
  rate: Rate,
): { chargedMinor: number; adjustedFor: PricedWork['adjustedFor'] } {
  if (ownPriceMinor !== null) return { chargedMinor: Math.max(0, ownPriceMinor - materialsMinor), adjustedFor: 'own price' };
  const rounded = wholeUp(discountedMinor, rate);
  if (rounded + materialsMinor >= minimumMinor) return { chargedMinor: rounded, adjustedFor: 'rounding' };
  return { chargedMinor: minimumMinor - materialsMinor, adjustedFor: 'minimum' };
}

function summedDraws(units: readonly UnitWork[]): Float64Array {
  const total = new Float64Array(units[0]?.draws.length ?? 0);
  for (const { unitId, draws } of units) {
    if (draws.length !== total.length) throw new RangeError(`unit ${unitId} has ${draws.length} draws, the first ${total.length}`);
    draws.forEach((minutes, draw) => (total[draw]! += minutes));
  }
  return total;
}

const quantileOf = (draws: Float64Array, share: number): number => (draws.length === 0 ? 0 : quantile(draws.slice().sort(), share));

/**
 * An amount shared out by weights in whole units of the currency, the largest remainders first (Hamilton's method); what is no whole
 * unit goes to the first that has a share. The shares add up to the amount.
 */
export function shareOut(amountMinor: number, weights: readonly number[], minorPerMajor: number): number[] {
  const sum = weights.reduce((total, weight) => total + weight, 0);
  if (sum <= 0) return weights.map((_, index) => (index === 0 ? amountMinor : 0));
  const majors = Math.floor(amountMinor / minorPerMajor);
  const exact = weights.map((weight) => (majors * weight) / sum);
  const shares = exact.map(Math.floor);
  const byRemainder = exact.map((value, index) => ({ index, rest: value - shares[index]! })).sort((a, b) => b.rest - a.rest);
  const open = majors - shares.reduce((total, share) => total + share, 0);
  for (const { index } of byRemainder.slice(0, open)) shares[index]!++;
  const minor = shares.map((share) => share * minorPerMajor);
  minor[weights.findIndex((weight) => weight > 0)]! += amountMinor - majors * minorPerMajor;
  return minor;
}
