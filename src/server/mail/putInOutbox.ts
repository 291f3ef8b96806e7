import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { ulid } from 'ulid';
import type { Stores } from '../stores';
import { writeMail, type Letter } from './writeMail';

/** In the data folder: whatever sends mail takes the files from here. */
const OUTBOX = 'outbox';

/**
 * Writes a letter about a commission into the outbox, and whatever else tells of it in the same transaction. Answers with the id
 * of the letter.
 */
export async function putInOutbox(
  stores: Stores,
  commissionId: string,
  letter: Letter,
  folder: string,
  alongside: (within: Stores, mailId: string) => Promise<void>,
): Promise<string> {
  const eml = await writeMail(letter);
  const { at, to: sentTo, subject } = letter;
  const mail = { id: ulid(at.getTime()), commissionId, writtenAt: at.toISOString(), sentTo, subject };
  await stores.allOrNothing(async (within) => {
    await within.testRounds.insertMail(mail, eml);
    await alongside(within, mail.id);
  });
  const outbox = path.join(folder, OUTBOX);
  await mkdir(outbox, { recursive: true, mode: 0o700 });
  await writeFile(path.join(outbox, `${mail.id}.eml`), eml, { mode: 0o600 });
  return mail.id;
}
