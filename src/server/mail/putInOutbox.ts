import { mkdir, readdir, rename, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { ulid } from 'ulid';
import type { Stores } from '../stores/stores';
import { writeMail, type Letter } from './writeMail';

/** In the data folder: whatever sends mail takes the files from here. */
const OUTBOX = 'outbox';
const LETTER = '.eml';
/** A letter that nobody takes yet: the program has not written down that it is there. */
const UNFINISHED = '.unfinished';

/**
 * Writes a letter about a commission into the outbox, and whatever else tells of it in the same transaction. Answers with the id
 * of the letter. Its file can be taken once the transaction holds; killed in between, `finishOutbox` does the rest.
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
  const outbox = path.join(folder, OUTBOX);
  const unfinished = path.join(outbox, mail.id + UNFINISHED);
  await mkdir(outbox, { recursive: true, mode: 0o700 });
  await writeFile(unfinished, eml, { mode: 0o600, flush: true });
  try {
    await stores.allOrNothing(async (within) => {
      await within.testRounds.insertMail(mail, eml);
      await alongside(within, mail.id);
    });
  } catch (error) {
    await rm(unfinished, { force: true });
    throw error;
  }
  await rename(unfinished, path.join(outbox, mail.id + LETTER));
  return mail.id;
}

/** Letters that the program was killed over: those that are written down can be taken, the others never were. */
export async function finishOutbox({ testRounds }: Pick<Stores, 'testRounds'>, folder: string): Promise<void> {
  const outbox = path.join(folder, OUTBOX);
  const files = await readdir(outbox).catch(() => []);
  for (const file of files.filter((name) => name.endsWith(UNFINISHED))) {
    const id = path.basename(file, UNFINISHED);
    if (await testRounds.mail(id)) await rename(path.join(outbox, file), path.join(outbox, id + LETTER));
    else await rm(path.join(outbox, file));
  }
}
