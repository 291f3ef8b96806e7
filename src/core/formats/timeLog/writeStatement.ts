import Papa from 'papaparse';
import type { Statement } from '../../money/statement';
import { noFormula } from './timeLogColumns';

const COLUMNS = ['date', 'what', 'models', 'amount', 'currency'];

/**
 * A statement as CSV: UTF-8, header row, RFC 4180 with CRLF; amounts in major units with a decimal point, then the
 * total, what was paid and what is due, and a row without an amount for everything that is not done. `decimals` are those of the currency.
 */
export function writeStatement({ lines, currency, on, totalMinor, paidMinor, dueMinor, undone }: Statement, decimals: number): string {
  const amount = (minor: number) => (minor / 10 ** decimals).toFixed(decimals);
  const row = (date: string, what: string, models: number | null, minor: number) => [
    date,
    noFormula(what),
    models ?? '',
    amount(minor),
    currency,
  ];
  const data = [
    ...lines.map((line) => row(line.on, line.what, line.models, line.amountMinor)),
    row(on, 'Total', null, totalMinor),
    row(on, 'Paid before', null, paidMinor),
    row(on, 'Due', null, dueMinor),
    ...undone.map((what) => [on, noFormula(`Not done: ${what}`), '', '', '']),
  ];
  return `${Papa.unparse({ fields: COLUMNS, data }, { newline: '\r\n' })}\r\n`;
}
