import type { Knex } from 'knex';
import { DEFAULT_TERMS, type Quote, type QuoteTerms } from '../../core/money/definitions';
import { revisionOf, saveRevision } from '../file/revisions';

type QuoteRow = Omit<Quote, 'offer'> & { offer: string };

const quoteOf = (row: QuoteRow): Quote => ({ ...row, offer: JSON.parse(row.offer) as Quote['offer'] });

/** How commissions are priced, and what was put to their clients. */
export class QuoteStore {
  constructor(private readonly db: Knex) {}

  /** The terms of a commission, over the defaults for whatever nobody has said. */
  async terms(commissionId: string): Promise<{ terms: QuoteTerms; revision: number }> {
    const row: { terms: string } | undefined = await this.db('quote_terms').where({ commissionId }).first();
    const said = row ? (JSON.parse(row.terms) as Partial<QuoteTerms>) : {};
    return { terms: { ...DEFAULT_TERMS, ...said }, revision: await revisionOf(this.db, 'quote_terms', { commissionId }) };
  }

  /** False when the revision has moved on. */
  saveTerms(commissionId: string, terms: QuoteTerms, from: number): Promise<boolean> {
    return saveRevision(this.db, 'quote_terms', { commissionId }, { terms: JSON.stringify(terms) }, from);
  }

  /** In the order they were written. */
  async ofCommission(commissionId: string): Promise<Quote[]> {
    return (await this.db<QuoteRow>('quote').where({ commissionId }).orderBy('number')).map(quoteOf);
  }

  async ofCommissions(commissionIds: readonly string[]): Promise<Quote[]> {
    return (await this.db<QuoteRow>('quote').whereIn('commissionId', commissionIds).orderBy('number')).map(quoteOf);
  }

  async find(id: string): Promise<Quote | null> {
    const row = await this.db<QuoteRow>('quote').where({ id }).first();
    return row ? quoteOf(row) : null;
  }

  /** Adds a quote, or replaces it by its id. */
  async put(quote: Quote): Promise<void> {
    await this.db('quote')
      .insert({ ...quote, offer: JSON.stringify(quote.offer) })
      .onConflict('id')
      .merge();
  }
}
