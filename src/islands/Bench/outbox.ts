import type { BenchEvent } from '../../core/bench/definitions';
import { wholeEvent } from '../../core/formats/commission/benchEvents';

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

/** A tap as it was kept before the bench was one stream: by job (`step#coat@tray`) and model. */
interface OldTap extends Pick<BenchEvent, 'id' | 'kind' | 'at' | 'target' | 'note'> {
  job: string | null;
  model: number | null;
}

/**
 * Takes over what an earlier version of the program kept for runs and could not send any more. `unitOf` tells the unit of a pass;
 * taps on passes that nobody knows stay where they are.
 */
export function adoptOldOutboxes(unitOf: (passKey: string) => string | undefined, storage: Storage = localStorage): void {
  const keys = Array.from({ length: storage.length }, (_, index) => storage.key(index)!).filter((key) => key.startsWith(`${KEY} `));
  for (const key of keys) {
    const taps = JSON.parse(storage.getItem(key)!) as OldTap[];
    const events = taps.flatMap(({ job, model, ...tap }) => {
      if (job === null) return [wholeEvent(tap)];
      const [passKey] = job.split('@') as [string];
      const [step, coat] = passKey.split('#') as [string, string];
      const unit = unitOf(passKey);
      return unit === undefined ? [] : [wholeEvent({ ...tap, unit, step, coat: Number(coat), models: model === null ? [] : [model] })];
    });
    if (events.length < taps.length) continue;
    addToOutbox(events, storage);
    storage.removeItem(key);
  }
}
