import { DataError } from '../../data/file/dataErrors';
import { InputError } from '../../core/kernel/InputError';
import { ConflictError, NotFoundError } from '../stores/errors';
import type { Refusal } from './tasks';

/** What is a refusal in a thread is the same refusal here. */
const KINDS: Record<string, { prototype: Error }> = { InputError, ConflictError, NotFoundError, DataError };

export const refusalOf = (error: unknown): Refusal =>
  error instanceof Error
    ? {
        name: error.name,
        message: error.message,
        ...(error instanceof InputError && { field: error.field }),
        ...(error.stack !== undefined && { stack: error.stack }),
      }
    : { name: 'Error', message: String(error) };

export function errorFrom({ name, ...rest }: Refusal): Error {
  const kind = Object.hasOwn(KINDS, name) ? KINDS[name]! : Error;
  return Object.assign(Object.create(kind.prototype) as Error, { name, ...rest });
}
