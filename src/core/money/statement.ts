import { localDay } from '../kernel/localDay';
import type { ScopeChange } from '../commission/scope';
import { MATERIAL_LABELS, type Offer, type Quote, type QuoteTerms } from './definitions';

/** What the client owes at hand-over, line by line. No tax is worked out. */
export interface Statement {
  name: string;
  client: string;
  /** The day it is for, 2026-11-30. */
  on: string;
  currency: string;
  lines: StatementLine[];
  totalMinor: number;
  /** Negative, or 0 where nothing was paid before. */
  paidMinor: number;
  dueMinor: number;
  words: string;
  /** What is not done, in words; nothing when all is. */
  undone: string[];
}

export interface StatementLine {
  /** The day of an addition or a payment; empty for what was quoted. */
  on: string;
  what: string;
  /** Null where the line is not about so many models. */
  models: number | null;
  amountMinor: number;
}

/** What a change of scope is called on paper. */
export function scopeWords({ unit, subject, before, after }: Pick<ScopeChange, 'unit' | 'subject' | 'before' | 'after'>): string {
  if (subject === 'extra') return after;
  if (subject === 'unit added') return `${unit} added: ${after} models`;
  if (subject === 'unit removed') return `${unit} removed: ${before} models`;
  return `${unit === '' ? '' : `${unit}, `}${subject}: ${before} → ${after}`;
}

/** Lines of an offer: units, other work, materials. They add up to its total. */
export function offerLines({ price, terms }: Offer): StatementLine[] {
  return [
    ...price.units.map(({ name, models, priceMinor }) => ({ on: '', what: `${name}, painted`, models, amountMinor: priceMinor })),
    ...(price.otherPriceMinor === 0 ? [] : [{ on: '', what: 'Other work', models: null, amountMinor: price.otherPriceMinor }]),
    ...terms.materials.map(({ kind, what, amountMinor }) => ({
      on: '',
      what: what.trim() === '' ? MATERIAL_LABELS[kind] : `${MATERIAL_LABELS[kind]}: ${what.trim()}`,
      models: null,
      amountMinor,
    })),
  ];
}

/** The statement of a commission: what was agreed, every addition since whose price was said (free ones at nothing), what was paid. */
export function statementOf(
  { offer, writtenAt }: Pick<Quote, 'offer' | 'writtenAt'>,
  changes: readonly ScopeChange[],
  { depositPaid, statementWords }: Pick<QuoteTerms, 'depositPaid' | 'statementWords'>,
  { on, undone }: Pick<Statement, 'on' | 'undone'>,
): Statement {
  const added = changes
    .filter((change) => change.at > writtenAt && change.priceMinor !== null)
    .map((change): StatementLine => ({
      on: localDay(new Date(change.at)),
      what: scopeWords(change),
      models: null,
      amountMinor: change.priceMinor!,
    }));
  const lines = [...offerLines(offer), ...added];
  const totalMinor = lines.reduce((sum, { amountMinor }) => sum + amountMinor, 0);
  const paidMinor = -(depositPaid?.amountMinor ?? 0) || 0;
  return {
    name: offer.name,
    client: offer.client,
    on,
    currency: offer.currency,
    lines,
    totalMinor,
    paidMinor,
    dueMinor: totalMinor + paidMinor,
    words: statementWords,
    undone,
  };
}
