import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { ulid } from 'ulid';
import { array, object, string, type InferType } from 'yup';
import { id as idField, note } from '../../core/formats/fields';
import { STANDARD_LABELS } from '../../core/scheme/definitions';
import type { TestRound } from '../../core/views/testModel';
import { NotFoundError } from '../errors';
import type { Stores } from '../stores';
import { findOpenCommission } from '../workshop/loadWorkshop';
import { writeMail } from './writeMail';

/** In the data folder: whatever sends mail takes the files from here. */
const OUTBOX = 'outbox';

export const sendTestModelSchema = object({
  to: string().strict().trim().required('give the address of the client').email('give an address as name@example.org').max(200),
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
      return { name: `${unit.name} ${index + 1}.jpg`, bytes };
    }),
  );
  const subject = `Test model: ${unit.name} (${commission.name})`;
  const eml = await writeMail({
    to: input.to,
    subject,
    at: now,
    pictures,
    text: [
      `Dear ${commission.client},`,
      `this is the first of the ${unit.name}, painted to the end. Standard: ${STANDARD_LABELS[commission.standard]}.`,
      ...(input.note.trim() === '' ? [] : [input.note.trim()]),
      'Please answer: approved, changes wanted, or no. The others are painted when you have answered.',
    ].join('\n\n'),
  });
  const mail = { id: ulid(now.getTime()), commissionId: commission.id, writtenAt: now.toISOString(), sentTo: input.to, subject };
  const round: TestRound = {
    id: ulid(now.getTime()),
    unitId: unit.id,
    mailId: mail.id,
    sentAt: now.toISOString(),
    sentTo: input.to,
    note: input.note,
    answer: null,
    answeredAt: null,
    answerNote: '',
  };
  await stores.allOrNothing(async ({ testRounds }) => {
    await testRounds.insertMail(mail, eml);
    await testRounds.put(round);
  });
  const outbox = path.join(folder, OUTBOX);
  await mkdir(outbox, { recursive: true, mode: 0o700 });
  await writeFile(path.join(outbox, `${mail.id}.eml`), eml, { mode: 0o600 });
  return round;
}
