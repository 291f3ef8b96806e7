import { object, type InferType } from 'yup';
import { address, note } from '../../core/formats/fields';
import { arrivesOn, goesOn } from '../../core/finish/parcelDays';
import { longDay } from '../../core/kernel/longDay';
import { localDay } from '../../core/kernel/localDay';
import { modelsOf } from '../../core/scheme/model/definitions';
import { regards } from '../mail/regards';
import { putInOutbox } from '../mail/putInOutbox';
import type { Stores } from '../stores/stores';
import { findPriced } from '../money/loadMoney';
import { saidOpen } from './saidOpen';

export const handOverSchema = object({ to: address(), note: note() });

interface Around {
  now: Date;
  folder: string;
  sheetPdf: () => Promise<Uint8Array>;
  listPdf: () => Promise<Uint8Array>;
  /** The statement, and the quote that it is of; null where none was accepted. */
  money: { statementPdf: () => Promise<Uint8Array>; quote: { name: string; pdf: () => Promise<Uint8Array> } } | null;
}

/** Writes the letter that goes with the parcel into the outbox: sheet, packing list and statement in one. */
export async function writeHandOver(
  stores: Stores,
  id: string | undefined,
  { to, note: said }: InferType<typeof handOverSchema>,
  { now, folder, sheetPdf, listPdf, money }: Around,
): Promise<{ mailId: string }> {
  const { workshop, commission, units } = await findPriced(stores, id, now);
  const { delivery } = (await stores.finishing.load(commission.id)).finishing;
  const { painter } = workshop.house;
  const models = units.reduce((sum, unit) => sum + modelsOf(unit), 0);
  const goes = goesOn(localDay(now), delivery);
  const undone = await saidOpen(stores, commission, now);
  const by = delivery.carrier.trim() === '' ? '' : ` with ${delivery.carrier.trim()}`;
  const way =
    delivery.transitDays === 0
      ? 'They can be collected, or I bring them, on the day we agree.'
      : `The parcel goes on ${longDay(goes)}${by} and should be with you by ${longDay(arrivesOn(goes, delivery))}.`;
  const attached = ['the sheet with all paints and mixes', 'the packing list', ...(money ? ['the statement', 'the quote it goes by'] : [])];
  const text = [
    `Dear ${commission.client},`,
    `${commission.name} is finished: ${models} ${models === 1 ? 'model' : 'models'} in ${units.length} ${units.length === 1 ? 'unit' : 'units'}. ${way}`,
    `You will find attached ${attached.slice(0, -1).join(', ')} and ${attached.at(-1)}.`,
    ...(undone.length === 0 ? [] : [`Still to say:\n${undone.map((what) => `- ${what}`).join('\n')}`]),
    ...(said.trim() === '' ? [] : [said.trim()]),
    'If anything is chipped or missing when you open the box, write to me and I will put it right.',
    regards(painter.name),
  ].join('\n\n');
  const files = [
    { name: `Hand-over, ${commission.name}.pdf`, bytes: await sheetPdf() },
    { name: `Packing list, ${commission.name}.pdf`, bytes: await listPdf() },
    ...(money
      ? [
          { name: `Statement, ${commission.name}.pdf`, bytes: await money.statementPdf() },
          { name: `${money.quote.name}.pdf`, bytes: await money.quote.pdf() },
        ]
      : []),
  ].map((file) => ({ ...file, type: 'application/pdf' as const }));
  const letter = { from: painter.name, to, subject: `${commission.name}: finished`, at: now, text, files };
  return { mailId: await putInOutbox(stores, commission.id, letter, folder, () => Promise.resolve()) };
}
