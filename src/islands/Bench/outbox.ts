import type { BenchEvent } from '../../core/bench/definitions';

const keyOf = (runId: string) => `neat-relay outbox ${runId}`;

/** Taps that the server has not confirmed, oldest first. Kept by the browser, so a reload or a closed lid loses none. */
export function readOutbox(runId: string, storage: Storage = localStorage): BenchEvent[] {
  const text = storage.getItem(keyOf(runId));
  if (text === null) return [];
  const events: unknown = JSON.parse(text);
  return Array.isArray(events) ? (events as BenchEvent[]) : [];
}

const write = (runId: string, events: BenchEvent[], storage: Storage) =>
  events.length === 0 ? storage.removeItem(keyOf(runId)) : storage.setItem(keyOf(runId), JSON.stringify(events));

/** Written down before it is shown as done. Throws when the browser refuses to keep it. */
export function addToOutbox(runId: string, events: BenchEvent[], storage: Storage = localStorage): void {
  write(runId, [...readOutbox(runId, storage), ...events], storage);
}

/** Drops what the server has confirmed; another tab may have added taps meanwhile, so the list is read anew. */
export function dropFromOutbox(runId: string, ids: readonly string[], storage: Storage = localStorage): void {
  write(
    runId,
    readOutbox(runId, storage).filter((event) => !ids.includes(event.id)),
    storage,
  );
}

export const isOutboxKey = (key: string | null, runId: string): boolean => key === keyOf(runId);
