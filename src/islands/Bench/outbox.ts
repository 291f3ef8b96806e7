import type { BenchEvent } from '../../core/bench/definitions';

const KEY = 'neat-relay outbox';

/** Taps that the server has not confirmed, oldest first. Kept by the browser, so a reload or a closed lid loses none. */
export function readOutbox(storage: Storage = localStorage): BenchEvent[] {
  const text = storage.getItem(KEY);
  if (text === null) return [];
  const events: unknown = JSON.parse(text);
  return Array.isArray(events) ? (events as BenchEvent[]) : [];
}

const write = (events: BenchEvent[], storage: Storage) =>
  events.length === 0 ? storage.removeItem(KEY) : storage.setItem(KEY, JSON.stringify(events));

/** Written down before it is shown as done. Throws when the browser refuses to keep it. */
export function addToOutbox(events: BenchEvent[], storage: Storage = localStorage): void {
  write([...readOutbox(storage), ...events], storage);
}

/** Drops what the server has confirmed; another tab may have added taps meanwhile, so the list is read anew. */
export function dropFromOutbox(ids: readonly string[], storage: Storage = localStorage): void {
  const gone = new Set(ids);
  write(
    readOutbox(storage).filter((event) => !gone.has(event.id)),
    storage,
  );
}

export const isOutboxKey = (key: string | null): boolean => key === KEY;
