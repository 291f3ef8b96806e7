/**
 * Outside data that cannot be taken. The message has two halves: what is wrong with which value, and what to do.
 */
export class InputError extends Error {
  override readonly name = 'InputError';

  constructor(
    readonly field: string,
    readonly value: unknown,
    readonly remedy: string,
  ) {
    super(`${field} is ${showValue(value)}: ${remedy}`);
  }
}

const LONGEST_SHOWN_VALUE = 60;

/** A value as it reads in a message: JSON, cut when long. */
export function showValue(value: unknown): string {
  if (value === undefined) return 'missing';
  if (typeof value === 'number' && !Number.isFinite(value)) return String(value);
  const text = JSON.stringify(beginningOf(value, DEEPEST_SHOWN)) ?? typeof value;
  return text.length > LONGEST_SHOWN_VALUE ? `${text.slice(0, LONGEST_SHOWN_VALUE)}…` : text;
}

const DEEPEST_SHOWN = 8;

/** So much of a value as may be shown, however large or deep the whole is. */
function beginningOf(value: unknown, levels: number): unknown {
  if (typeof value === 'string') return value.slice(0, LONGEST_SHOWN_VALUE + 1);
  if (typeof value !== 'object' || value === null) return value;
  if (levels === 0) return '…';
  if (Array.isArray(value)) return value.slice(0, LONGEST_SHOWN_VALUE).map((each) => beginningOf(each, levels - 1));
  const keys: string[] = [];
  for (const key in value) if (keys.push(key) === LONGEST_SHOWN_VALUE) break;
  return Object.fromEntries(
    keys.map((key) => [key.slice(0, LONGEST_SHOWN_VALUE + 1), beginningOf((value as Record<string, unknown>)[key], levels - 1)]),
  );
}
