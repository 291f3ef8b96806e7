import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Statement } from '../core/money/statement';
import { dayText } from '../ui/format';
import { amountsTable, paper, paragraphs, SOFT } from './paper';

/** What the client owes at hand-over, A4. */
export function statementDocument({
  name,
  client,
  on,
  currency,
  lines,
  totalMinor,
  paidMinor,
  dueMinor,
  words,
  undone,
}: Statement): TDocumentDefinitions {
  const sums = [
    { what: 'Total', amountMinor: totalMinor },
    ...(paidMinor === 0 ? [] : [{ what: 'Paid before', amountMinor: paidMinor }]),
    { what: 'Due', amountMinor: dueMinor },
  ];
  return paper(`Statement: ${name}`, [
    { text: 'Statement', fontSize: 20, bold: true },
    { text: `${name}, for ${client}`, fontSize: 13, margin: [0, 2, 0, 0] },
    { text: dayText(on), color: SOFT, margin: [0, 4, 0, 0] },
    amountsTable(lines, sums, currency),
    ...paragraphs(undone.length === 0 ? '' : `Not done: ${undone.join('; ')}.`),
    ...paragraphs(words),
  ]);
}
