import { parseArgs, type ParseArgsConfig } from 'node:util';
import { InputError } from '../core/kernel/InputError';
import { readNumber } from '../core/formats/readNumber';

/** A number below 0 behind an option is its value, not another option. */
const joined = (args: readonly string[]): string[] =>
  args.reduce<string[]>((all, each) => {
    const before = all.at(-1);
    if (before?.startsWith('--') && !before.includes('=') && /^-[\d.]/.test(each)) return [...all.slice(0, -1), `${before}=${each}`];
    return [...all, each];
  }, []);

/** Options and files of a command. Throws an `Error` in one sentence that says how it is started. */
export function readArguments<O extends NonNullable<ParseArgsConfig['options']>>(args: readonly string[], options: O, usage: string) {
  try {
    return parseArgs({ args: joined(args), allowPositionals: true, options });
  } catch (error) {
    const [problem = ''] = (error as Error).message.split(/\. |\n/);
    throw new Error(`${problem.replace(/\.$/, '')}: start it as ${usage}`, { cause: error });
  }
}

export function wholeNumber(option: string, given: string): number {
  const value = readNumber(given);
  if (value === null || !Number.isSafeInteger(value) || value < 0)
    throw new InputError(option, given, 'give a whole number that is 0 or more');
  return value;
}

export function secondsOf(option: string, given: string): number {
  const value = readNumber(given);
  if (value === null || !Number.isFinite(value) || value <= 0) throw new InputError(option, given, 'give a number of seconds above 0');
  return value;
}
