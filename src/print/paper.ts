import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Return, ReturnKind } from '../core/finish/definitions';
import type { Painter } from '../core/scheme/model/houseRules';
import type { StatementLine } from '../core/money/statement';
import { longDay } from '../core/kernel/longDay';
import { counted, exactMoneyText } from '../ui/format';

export const INK = '#1a1a1a';
export const SOFT = '#555555';
export const RULE = '#999999';

/** An A4 page as letters have it: a title, what stands under it, and the rest. */
export const paper = (title: string, content: Content[]): TDocumentDefinitions => ({
  info: { title, creator: 'Neat Relay' },
  pageSize: 'A4',
  pageMargins: [56, 56, 56, 56],
  defaultStyle: { fontSize: 10.5, color: INK, lineHeight: 1.2 },
  footer: (page, pages) => ({
    columns: [title, { text: `page ${page} of ${pages}`, alignment: 'right' }],
    margin: [56, 16, 56, 0],
    fontSize: 8,
    color: SOFT,
  }),
  content,
});

interface AmountRow {
  what: string;
  amountMinor: number;
}

/** Lines with their amounts, and below them sums in bold. */
export function amountsTable(lines: readonly StatementLine[], sums: readonly AmountRow[], currency: string): Content {
  const amount = (minor: number, bold = false): TableCell => ({ text: exactMoneyText(minor, currency), alignment: 'right', bold });
  return {
    table: {
      headerRows: 1,
      widths: ['*', 'auto', 'auto'],
      body: [
        [
          { text: 'What', color: SOFT },
          { text: 'Models', color: SOFT, alignment: 'right' },
          { text: 'Amount', color: SOFT, alignment: 'right' },
        ],
        ...lines.map(({ on, what, models, amountMinor }): TableCell[] => [
          on === '' ? what : `${longDay(on)}: ${what}`,
          { text: models === null ? '' : String(models), alignment: 'right' },
          amount(amountMinor),
        ]),
        ...sums.map(({ what, amountMinor }): TableCell[] => [{ text: what, bold: true, colSpan: 2 }, '', amount(amountMinor, true)]),
      ],
    },
    layout: {
      hLineWidth: (row) => (row === 1 || row === lines.length + 1 ? 0.75 : 0),
      vLineWidth: () => 0,
      hLineColor: () => RULE,
      paddingTop: () => 3,
      paddingBottom: () => 3,
    },
    margin: [0, 12, 0, 8],
  };
}

/** Paragraphs that the painter wrote, as they were typed. */
export const paragraphs = (words: string): Content[] => (words.trim() === '' ? [] : [{ text: words.trim(), margin: [0, 8, 0, 0] }]);

export const modelsWords = (lines: readonly StatementLine[]): string =>
  counted(
    lines.reduce((sum, { models }) => sum + (models ?? 0), 0),
    'model',
  );

/** What stands over a part of a page. */
export const heading = (text: string): Content => ({ text, fontSize: 13, bold: true, margin: [0, 12, 0, 2] });

/** What is no painted model and goes back to the client. */
export const returnRows = (returns: readonly Return[], labels: Record<ReturnKind, string>): Content => ({
  ul: returns.map(
    ({ kind, what, count, packed }) =>
      `${labels[kind]}${what.trim() === '' ? '' : `: ${what.trim()}`}, ${count}${packed < count ? ` (${count - packed} not packed yet)` : ''}`,
  ),
});

/** Who wrote it; nothing while House rules name nobody. */
export const signature = ({ name, address }: Painter): Content[] =>
  name.trim() === '' ? [] : [{ text: `${name.trim()}\n${address.trim()}`.trim(), color: SOFT, margin: [0, 16, 0, 0] }];
