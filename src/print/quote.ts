import type { TDocumentDefinitions } from 'pdfmake/interfaces';
import { localDay } from '../core/kernel/localDay';
import { longDay } from '../core/kernel/longDay';
import type { Painter } from '../core/scheme/model/houseRules';
import type { Quote } from '../core/money/definitions';
import { offerLines } from '../core/money/statement';
import { STANDARD_LABELS } from '../core/scheme/model/definitions';
import { exactMoneyText, percentText } from '../ui/format';
import { amountsTable, modelsWords, paper, paragraphs, signature, SOFT } from './paper';

/** A quote as it goes to the client, A4: lines that add up, the deposit, and how amounts were rounded. */
export function quoteDocument({ number, writtenAt, note, offer }: Quote, painter: Painter): TDocumentDefinitions {
  const { name, client, dueOn, standard, currency, terms, price } = offer;
  const lines = offerLines(offer);
  const sums = [
    { what: 'Total', amountMinor: price.totalMinor },
    ...(price.depositMinor > 0 ? [{ what: 'of which before the work begins', amountMinor: price.depositMinor }] : []),
  ];
  return paper(`Quote ${number}: ${name}`, [
    { text: `Quote ${number}`, fontSize: 20, bold: true },
    { text: `${name}, for ${client}`, fontSize: 13, margin: [0, 2, 0, 0] },
    {
      text: `${longDay(localDay(new Date(writtenAt)))}. ${modelsWords(lines)}, to be ready by ${longDay(dueOn)}. Standard: ${STANDARD_LABELS[standard]}.`,
      color: SOFT,
      margin: [0, 4, 0, 0],
    },
    amountsTable(lines, sums, currency),
    {
      text: [
        ...(price.discountMinor < 0
          ? [
              `${percentText(terms.discountShare)} (${exactMoneyText(-price.discountMinor, currency)}) is taken off the work as a repeat discount. `,
            ]
          : []),
        ...(price.adjustedFor === 'minimum' ? ['This is the minimum charge. '] : []),
        ...(price.adjustedFor === 'rounding' ? ['The work is rounded up to whole units of the currency; materials are as bought.'] : []),
      ],
      fontSize: 9,
      color: SOFT,
    },
    ...paragraphs(note),
    ...paragraphs(terms.words),
    ...signature(painter),
  ]);
}
