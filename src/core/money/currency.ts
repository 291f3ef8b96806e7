import type { Rate } from './definitions';

/**
 * How many minor units make one of a currency (ISO 4217): 100 for most, 1 for yen.
 *
 * @example minorPerMajor('EUR') // 100
 * @example minorPerMajor('JPY') // 1
 */
export const minorPerMajor = (currency: string): number => 10 ** decimalsOf(currency);

/** Decimals that amounts of a currency are written with. */
export const decimalsOf = (currency: string): number =>
  new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2;

/** What an hour of a commission costs. */
export const rateOf = ({ hourlyRateMinor, currency }: Pick<Rate, 'hourlyRateMinor' | 'currency'>): Rate => ({
  hourlyRateMinor,
  currency,
  minorPerMajor: minorPerMajor(currency),
});
