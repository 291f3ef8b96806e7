import { fileName } from '../text/fileName';
import MailComposer from 'nodemailer/lib/mail-composer/index.js';

/** Nothing is really sent: whoever takes the file from the outbox puts an address of theirs here. */
const FROM_ADDRESS = 'bench@neat-relay.invalid';
const NO_NAME = 'Neat Relay bench';

export interface Letter {
  /** Name of the painter; empty while nobody has said. */
  from: string;
  to: string;
  subject: string;
  text: string;
  at: Date;
  files: { name: string; bytes: Uint8Array; type: 'image/jpeg' | 'application/pdf' }[];
}

/** A letter as an `.eml` file (RFC 5322, MIME), its files attached. */
export async function writeMail({ from, to, subject, text, at, files }: Letter): Promise<Uint8Array> {
  const message = new MailComposer({
    from: { name: from.trim() || NO_NAME, address: FROM_ADDRESS },
    to,
    subject,
    text,
    date: at,
    attachments: files.map(({ name, bytes, type }) => ({ filename: fileName(name), content: Buffer.from(bytes), contentType: type })),
  });
  return message.compile().build();
}
