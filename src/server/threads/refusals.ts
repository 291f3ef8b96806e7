import { DataError } from '../../data/dataErrors';
import { InputError } from '../../core/formats/InputError';
import { ConflictError, NotFoundError } from '../errors';

/** An error as it crosses from a thread: what is a refusal there is the same refusal here. */
export interface Refusal {
  name: string;
  message: string;
  field?: string;
  stack?: string;
}

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
