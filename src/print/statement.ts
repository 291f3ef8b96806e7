import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Statement } from '../core/money/statement';
import { longDay } from '../core/kernel/longDay';
import type { Painter } from '../core/scheme/model/houseRules';
import { amountsTable, paper, paragraphs, signature, SOFT } from './paper';

/** What the client owes at hand-over, A4. */
export function statementDocument(statement: Statement, painter: Painter): TDocumentDefinitions {
  const { name, client, on, currency, lines, totalMinor, paidMinor, dueMinor, words, undone } = statement;
  const sums = [
    { what: 'Total', amountMinor: totalMinor },
    ...(paidMinor === 0 ? [] : [{ what: 'Paid before', amountMinor: paidMinor }]),
    { what: 'Due', amountMinor: dueMinor },
  ];
  return paper(`Statement: ${name}`, [
    { text: 'Statement', fontSize: 20, bold: true },
    { text: `${name}, for ${client}`, fontSize: 13, margin: [0, 2, 0, 0] },
    { text: longDay(on), color: SOFT, margin: [0, 4, 0, 0] },
    amountsTable(lines, sums, currency),
    ...paragraphs(undone.length === 0 ? '' : `Not done: ${undone.join('; ')}.`),
    ...paragraphs(words),
    ...signature(painter),
  ]);
}
