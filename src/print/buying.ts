import type { TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { mlWords } from '../core/paint/amountWords';
import type { ShelfPicture } from '../contract/shelf';
import { dayOfText, exactMoneyText } from '../ui/format';
import { paper, RULE, SOFT } from './paper';

const BOX = 9;

/** What has to be bought, A4: by the day on which a pot runs dry, with a box to tick for each. */
export function buyingDocument(
  { toBuy, commissions, of, currency }: Pick<ShelfPicture, 'toBuy' | 'commissions' | 'of' | 'currency'>,
  now: Date,
): TDocumentDefinitions {
  const work = of === null ? 'all open work' : commissions.find(({ id }) => id === of)!.name;
  const sum = toBuy.reduce((total, { priceMinor }) => total + (priceMinor ?? 0), 0);
  const unpriced = toBuy.filter(({ priceMinor, discontinued }) => priceMinor === null && !discontinued).length;
  const right = (text: string): TableCell => ({ text, alignment: 'right' });
  const head = ['', 'By', 'Paint', 'Short', 'Pots', 'Price'].map((text, at): TableCell => ({
    text,
    color: SOFT,
    alignment: at > 2 ? 'right' : 'left',
  }));
  const rows = toBuy.map(({ name, maker, missingMl, pots, by, priceMinor, discontinued }): TableCell[] => [
    { canvas: [{ type: 'rect', x: 0, y: 2, w: BOX, h: BOX, lineWidth: 0.75, lineColor: RULE }] },
    by === null ? 'no day' : dayOfText(by),
    { text: [name, { text: `${maker && `, ${maker}`}${discontinued ? '; it cannot be bought any more' : ''}`, color: SOFT }] },
    right(mlWords(missingMl)),
    right(pots === null || discontinued ? '' : String(pots)),
    right(priceMinor === null || discontinued ? '' : exactMoneyText(priceMinor, currency)),
  ]);
  return paper('To buy', [
    { text: 'To buy', fontSize: 20, bold: true },
    { text: `For ${work}, as of ${dayOfText(now.getTime())}`, color: SOFT, margin: [0, 4, 0, 0] },
    toBuy.length === 0
      ? { text: 'Nothing: what is on the shelf is enough, as far as its pots have been read.', margin: [0, 12, 0, 0] }
      : {
          table: { headerRows: 1, widths: ['auto', 'auto', '*', 'auto', 'auto', 'auto'], body: [head, ...rows], dontBreakRows: true },
          layout: {
            hLineWidth: (row) => (row === 1 ? 0.75 : 0),
            vLineWidth: () => 0,
            hLineColor: () => RULE,
            paddingTop: () => 3,
            paddingBottom: () => 3,
          },
          margin: [0, 12, 0, 8],
        },
    ...(sum > 0
      ? [{ text: `Together ${exactMoneyText(sum, currency)}${unpriced > 0 ? `, without ${unpriced} that have no price` : ''}.` }]
      : []),
  ]);
}
