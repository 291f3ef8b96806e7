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
  const text = JSON.stringify(value);
  return text.length > LONGEST_SHOWN_VALUE ? `${text.slice(0, LONGEST_SHOWN_VALUE)}…` : text;
}
