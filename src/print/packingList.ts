import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { PackingList } from '../contract/finish';
import { RETURN_LABELS } from '../core/finish/definitions';
import { longDay } from '../core/kernel/longDay';
import { counted } from '../ui/format';
import { heading, paper, returnRows, RULE, signature, SOFT } from './paper';

/** What lies in which box, A4, and a label for each box behind it. */
export function packingDocument(list: PackingList): TDocumentDefinitions {
  const { name, client, painter, leavesBy, carrier, customs, boxes, units, returns } = list;
  return paper(`Packing list: ${name}`, [
    { text: 'Packing list', fontSize: 20, bold: true },
    { text: `${name}, for ${client}`, fontSize: 13, margin: [0, 2, 0, 0] },
    {
      text: `Goes by ${longDay(leavesBy)}${carrier.trim() === '' ? '' : `, ${carrier.trim()}`}.`,
      color: SOFT,
      margin: [0, 4, 0, 0],
    },
    unitsTable(units),
    ...boxes.flatMap((box): Content[] => [
      heading(`${box.name}: ${counted(box.models, 'model')}`),
      {
        ol: box.layers.map(({ unit, models }) => `${unit}: ${counted(models, 'model')}`),
      },
    ]),
    ...(boxes.some(({ layers }) => layers.length > 1) ? [{ text: 'Layers from the bottom up.', color: SOFT } satisfies Content] : []),
    ...(returns.length === 0 ? [] : [heading('Goes back'), returnRows(returns, RETURN_LABELS)]),
    ...(customs.trim() === '' ? [] : [heading('For the carrier and customs'), { text: customs.trim() } satisfies Content]),
    {
      text: 'Contents: painted models only. No aerosols, paints or other liquids travel in this parcel.',
      margin: [0, 10, 0, 0],
    },
    ...signature(painter),
    ...boxes.map((box, index): Content => boxLabel(list, box, index)),
  ]);
}

function unitsTable(units: PackingList['units']): Content {
  const right = (text: string, color?: string): TableCell => ({ text, alignment: 'right', ...(color && { color }) });
  return {
    table: {
      headerRows: 1,
      widths: ['*', 'auto', 'auto', 'auto', 'auto', 'auto'],
      body: [
        ['Unit', 'Promised', 'Already yours', 'Not sent', 'Packed', 'Still out'].map((text, at): TableCell =>
          at === 0 ? { text, color: SOFT } : right(text, SOFT),
        ),
        ...units.map(({ name, promised, owned, notSent, note, packed, unpacked }): TableCell[] => [
          { text: [name, { text: notSent !== 0 && note !== '' ? `, ${note}` : '', color: SOFT }] },
          ...[promised, owned, notSent, packed, unpacked].map((count) => right(String(count))),
        ]),
      ],
    },
    layout: {
      hLineWidth: (row) => (row === 1 ? 0.75 : 0),
      vLineWidth: () => 0,
      hLineColor: () => RULE,
      paddingTop: () => 3,
      paddingBottom: () => 3,
    },
    margin: [0, 12, 0, 0],
  };
}

/** To be cut out and put on the box. */
const boxLabel = ({ name, client, boxes, painter }: PackingList, box: PackingList['boxes'][number], index: number): Content => ({
  pageBreak: 'before',
  table: {
    widths: ['*'],
    body: [
      [
        {
          stack: [
            { text: `${box.name}`, fontSize: 34, bold: true },
            { text: `${index + 1} of ${boxes.length}`, fontSize: 18 },
            { text: `${name}, for ${client}`, fontSize: 16, margin: [0, 12, 0, 0] },
            ...box.layers.map(({ unit, models }): Content => ({ text: `${unit}: ${counted(models, 'model')}`, fontSize: 13 })),
            { text: 'Painted models. Handle with care, this side up.', fontSize: 13, margin: [0, 12, 0, 0] },
            ...(painter.name.trim() === ''
              ? []
              : [{ text: `From ${painter.name.trim()}\n${painter.address.trim()}`, margin: [0, 12, 0, 0] } satisfies Content]),
          ],
          margin: [16, 16, 16, 16],
        },
      ],
    ],
  },
});
