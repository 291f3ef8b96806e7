import MailComposer from 'nodemailer/lib/mail-composer';

/** Nothing is really sent: whoever takes the file from the outbox puts an address of theirs here. */
const FROM = { name: 'Neat Relay bench', address: 'bench@neat-relay.invalid' };

export interface Letter {
  to: string;
  subject: string;
  text: string;
  at: Date;
  pictures: { name: string; bytes: Uint8Array }[];
}

/** A letter as an `.eml` file (RFC 5322, MIME), its pictures attached. */
export async function writeMail({ to, subject, text, at, pictures }: Letter): Promise<Uint8Array> {
  const message = new MailComposer({
    from: FROM,
    to,
    subject,
    text,
    date: at,
    attachments: pictures.map(({ name, bytes }) => ({ filename: name, content: Buffer.from(bytes), contentType: 'image/jpeg' })),
  });
  return message.compile().build();
}
