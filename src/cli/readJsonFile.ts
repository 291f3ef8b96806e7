import { readFileSync } from 'node:fs';
import { InputError } from '../core/formats/InputError';

/** What a JSON file holds, or standard input for `-`. Throws an `InputError`. */
export function readJsonFile(file: string): unknown {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new InputError('FILE', file, `give a file that can be read (${(error as NodeJS.ErrnoException).code ?? 'unreadable'})`);
  }
  try {
    return JSON.parse(text);
  } catch (error) {
    throw new InputError(
      file === '-' ? 'standard input' : file,
      text,
      `give valid JSON (${(error as Error).message.replaceAll('\n', ' ')})`,
    );
  }
}
