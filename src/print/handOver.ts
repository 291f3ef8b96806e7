import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { HandOverSheet } from '../contract/finish';
import { RETURN_LABELS } from '../core/finish/definitions';
import { longDay } from '../core/kernel/longDay';
import { counted } from '../ui/format';
import { heading, paper, returnRows, signature, SOFT } from './paper';

const PICTURE_WIDTH = 230;

/** What the client keeps with the models, A4; `isShort` is the painter's own: paints and mixes alone. */
export function handOverDocument(sheet: HandOverSheet, isShort: boolean): TDocumentDefinitions {
  const { name, client, on, units, care, undone, returns, pictures, painter } = sheet;
  const title = isShort ? `Paints of ${name}` : `Hand-over: ${name}`;
  return paper(title, [
    { text: isShort ? 'Paints and mixes' : 'Hand-over sheet', fontSize: 20, bold: true },
    { text: `${name}, for ${client}`, fontSize: 13, margin: [0, 2, 0, 0] },
    { text: longDay(on), color: SOFT, margin: [0, 4, 0, 0] },
    ...units.flatMap((unit) => unitContent(unit, isShort)),
    ...(isShort ? [] : [heading('Care'), { ul: care, margin: [0, 2, 0, 0] } satisfies Content]),
    ...(isShort || undone.length === 0 ? [] : [heading('Not as planned'), { ul: undone } satisfies Content]),
    ...(isShort || returns.length === 0 ? [] : [heading('Goes back to you'), returnRows(returns, RETURN_LABELS)]),
    ...(isShort || pictures.length === 0 ? [] : [heading('Pictures'), ...pictureRows(pictures)]),
    ...(isShort ? [] : signature(painter)),
  ]);
}

function unitContent({ name, models, standard, parts, varnish, who }: HandOverSheet['units'][number], isShort: boolean): Content[] {
  return [
    heading(`${name}: ${counted(models, 'model')}`),
    ...(isShort ? [] : [{ text: `Painted to ${standard}.`, color: SOFT } satisfies Content]),
    ...(who.length === 0 ? [] : [{ text: who.join('; '), color: SOFT } satisfies Content]),
    ...parts.map(({ where, pots }): Content => ({
      text: [
        { text: `${where[0]!.toUpperCase()}${where.slice(1)}: `, bold: true },
        pots.map((pot) => `${pot.how} ${pot.name}${pot.recipe.length === 0 ? '' : ` (${pot.recipe.join('; ')})`}`).join(', then '),
      ],
      margin: [0, 2, 0, 0],
    })),
    ...(varnish.length === 0 ? [] : [{ text: `At the end: ${varnish.join('; then ')}.`, margin: [0, 2, 0, 0] } satisfies Content]),
  ];
}

function pictureRows(pictures: HandOverSheet['pictures']): Content[] {
  const shown = pictures.map(({ jpeg, caption }): Content => ({
    stack: [
      { image: `data:image/jpeg;base64,${Buffer.from(jpeg).toString('base64')}`, fit: [PICTURE_WIDTH, PICTURE_WIDTH] },
      { text: caption, fontSize: 9, color: SOFT },
    ],
  }));
  const rows: Content[] = [];
  for (let at = 0; at < shown.length; at += 2) rows.push({ columns: shown.slice(at, at + 2), columnGap: 12, margin: [0, 4, 0, 0] });
  return rows;
}
