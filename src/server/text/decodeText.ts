import { InputError } from '../../core/kernel/InputError';

/** Marks at the begin of a file that say how its text is written. */
const MARKS = [
  { encoding: 'utf-8', bytes: [0xef, 0xbb, 0xbf] },
  { encoding: 'utf-16le', bytes: [0xff, 0xfe] },
  { encoding: 'utf-16be', bytes: [0xfe, 0xff] },
] as const;

/**
 * The text of a file that a painter chose: UTF-8, UTF-16 with its mark, else what older spreadsheets write (Windows-1252, of which
 * Latin-1 is a part). Throws an `InputError` for what is no text at all.
 */
export function decodeText(bytes: Uint8Array, field: string): string {
  const mark = MARKS.find((each) => each.bytes.every((byte, index) => bytes[index] === byte));
  const body = mark ? bytes.subarray(mark.bytes.length) : bytes;
  const text = decode(body, mark?.encoding ?? 'utf-8') ?? (mark ? null : decode(body, 'windows-1252'));
  if (text === null || text.includes('\0'))
    throw new InputError(field, Buffer.from(bytes.subarray(0, 12)).toString('hex'), 'choose a text file: save it as UTF-8 and try again');
  return text;
}

function decode(bytes: Uint8Array, encoding: string): string | null {
  try {
    return new TextDecoder(encoding, { fatal: true, ignoreBOM: true }).decode(bytes);
  } catch {
    return null;
  }
}
