import { ulid } from 'ulid';
import { array, object, type InferType } from 'yup';
import { address, id as idField, note } from '../../core/formats/fields';
import { STANDARD_LABELS } from '../../core/scheme/model/definitions';
import type { TestRound } from '../../core/commission/testModel';
import { NotFoundError } from '../stores/errors';
import { regards } from '../mail/regards';
import { putInOutbox } from '../mail/putInOutbox';
import type { Stores } from '../stores/stores';
import { findOpenCommission } from '../workshop/loadWorkshop';

export const sendTestModelSchema = object({
  to: address(),
  note: note(),
  pictureIds: array(idField()).strict().max(20).required(),
});

/** Writes the letter with the pictures of the test model into the outbox, and notes that an answer is awaited. */
export async function sendTestModel(
  stores: Stores,
  unitId: string | undefined,
  input: InferType<typeof sendTestModelSchema>,
  { now, folder }: { now: Date; folder: string },
): Promise<TestRound> {
  const unit = await stores.commissions.findUnit(unitId ?? '');
  if (!unit) throw new NotFoundError(`There is no unit ${unitId}: it may have been taken out. Reload the page.`);
  const { commission } = await findOpenCommission(stores, unit.commissionId, now);
  const pictures = await Promise.all(
    input.pictureIds.map(async (id, index) => {
      const bytes = await stores.pictures.bytes(id);
      if (!bytes) throw new NotFoundError(`There is no picture ${id}: reload the page and choose again.`);
      return { name: `${unit.name} ${index + 1}.jpg`, bytes, type: 'image/jpeg' as const };
    }),
  );
  const subject = `Test model: ${unit.name} (${commission.name})`;
  const { painter } = await stores.houseRules.load();
  const letter = {
    from: painter.name,
    to: input.to,
    subject,
    at: now,
    files: pictures,
    text: [
      `Dear ${commission.client},`,
      `this is the first of the ${unit.name}, painted to the end. Standard: ${STANDARD_LABELS[commission.standard]}.`,
      ...(input.note.trim() === '' ? [] : [input.note.trim()]),
      'Please let me know whether you like it, or what should be changed. I paint the others when I have your answer.',
      regards(painter.name),
    ].join('\n\n'),
  };
  const round: Omit<TestRound, 'mailId'> = {
    id: ulid(now.getTime()),
    unitId: unit.id,
    sentAt: now.toISOString(),
    sentTo: input.to,
    note: input.note,
    answer: null,
    answeredAt: null,
    answerNote: '',
  };
  const mailId = await putInOutbox(stores, commission.id, letter, folder, (within, id) => within.testRounds.put({ ...round, mailId: id }));
  return { ...round, mailId };
}
