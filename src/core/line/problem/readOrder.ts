import { InputError } from '../../kernel/InputError';
import type { LineProblem } from '../definitions';

/**
 * Reads an order for a problem: a list of job ids, or an object with `order`. Returns job indexes.
 * Every job must stand in it once, after all it waits for.
 */
export function readOrder(problem: LineProblem, value: unknown): Int32Array {
  const ids = Array.isArray(value) ? (value as unknown[]) : (value as { order?: unknown } | null)?.order;
  if (!Array.isArray(ids)) throw new InputError('order', ids, 'give a list of job ids, or an object with "order"');
  const index = new Map(problem.jobs.map((entry, i) => [entry.id, i]));
  const placed = new Set<string>();
  ids.forEach((entry: unknown, i) => {
    const at = typeof entry === 'string' ? index.get(entry) : undefined;
    if (at === undefined) throw new InputError(`order[${i}]`, entry, 'name a job of the problem');
    if (placed.has(entry as string)) throw new InputError(`order[${i}]`, entry, 'list every job once');
    const missing = problem.jobs[at]!.after.find((after) => !placed.has(after.job));
    if (missing) throw new InputError(`order[${i}]`, entry, `put it after "${missing.job}", which it waits for`);
    placed.add(entry as string);
  });
  const left = problem.jobs.find((entry) => !placed.has(entry.id));
  if (left) throw new InputError('order', ids.length, `list every job: "${left.id}" is not in it`);
  return Int32Array.from(ids as string[], (entry) => index.get(entry)!);
}
