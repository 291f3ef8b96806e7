import { readFileSync } from 'node:fs';
import { InputError } from '../core/kernel/InputError';
import { readJson } from '../core/formats/readJson';
import { decodeText } from '../server/text/decodeText';

/** The text of a file, or of standard input for `-`. Throws an `InputError`. */
export function readText(file: string): string {
  const field = file === '-' ? 'standard input' : file;
  return decodeText(bytesOf(file), field);
}

/** What a JSON file holds, or standard input for `-`. Throws an `InputError`. */
export const readJsonFile = (file: string): unknown => readJson(readText(file), file === '-' ? 'standard input' : file, 'give valid JSON');

function bytesOf(file: string): Uint8Array {
  try {
    return readFileSync(file === '-' ? 0 : file);
  } catch (error) {
    throw new InputError('FILE', file, `give a file that can be read: ${whyNot(error)}`);
  }
}

/** What the system says of a file, in words. */
export function whyNot(error: unknown): string {
  const { code = 'unknown' } = error as NodeJS.ErrnoException;
  return WORDS[code] ?? `this one cannot be (${code})`;
}

const WORDS: Readonly<Record<string, string>> = {
  ENOENT: 'there is none of that name',
  EISDIR: 'this is a folder',
  ENOTDIR: 'a part of its path is no folder',
  EACCES: 'you may not read or write this one',
  ENAMETOOLONG: 'the name is too long',
  ELOOP: 'its links lead round in a circle',
};
