import type { ScopeChange } from '../commission/scope';
import { agreedQuote, type Quote, type QuoteTerms } from './definitions';

/**
 * What the client pays as things stand, minor units: the quote that was accepted with the additions priced since, or the price the painter
 * says was agreed; null while there is neither.
 */
export function agreedPrice(
  quotes: readonly Quote[],
  changes: readonly Pick<ScopeChange, 'at' | 'priceMinor'>[],
  { ownPriceMinor }: Pick<QuoteTerms, 'ownPriceMinor'>,
): number | null {
  const quote = agreedQuote(quotes);
  return quote === null ? ownPriceMinor : quote.offer.price.totalMinor + addedSince(quote, changes);
}

/** Priced additions after the quote: those before it are in the quote. */
export const addedSince = ({ writtenAt }: Pick<Quote, 'writtenAt'>, changes: readonly Pick<ScopeChange, 'at' | 'priceMinor'>[]): number =>
  changes.filter(({ at }) => at > writtenAt).reduce((sum, { priceMinor }) => sum + (priceMinor ?? 0), 0);
