import { coatOfJob, readCoatKey } from '../../../core/kernel/ids';
import type { BenchEvent } from '../../../core/bench/definitions';
import { wholeEvent } from '../../../core/bench/wholeEvent';

/** Each tap has a key of its own: windows that write at the same moment do not write over each other. */
const PREFIX = 'neat-relay tap ';
/** Earlier versions kept all of them, or those of a run, as one list. */
const LIST = 'neat-relay outbox';

const keysOf = (storage: Storage) => Array.from({ length: storage.length }, (_, index) => storage.key(index)!);
const keyOf = (id: string) => PREFIX + id;

/** Taps that the server has not confirmed, oldest first. Kept by the browser, so a reload or a closed lid loses none. */
export const readOutbox = (storage: Storage = localStorage): BenchEvent[] =>
  keysOf(storage)
    .filter(isOutboxKey)
    // Another window may have dropped one meanwhile.
    .flatMap((key) => storage.getItem(key) ?? [])
    .map((text) => JSON.parse(text) as BenchEvent)
    .sort((a, b) => (a.at === b.at ? (a.id < b.id ? -1 : 1) : a.at < b.at ? -1 : 1));

/** Written down before it is shown as done, all or none. Throws when the browser refuses to keep it. */
export function addToOutbox(events: readonly BenchEvent[], storage: Storage = localStorage): void {
  try {
    for (const event of events) storage.setItem(keyOf(event.id), JSON.stringify(event));
  } catch (error) {
    dropFromOutbox(
      events.map(({ id }) => id),
      storage,
    );
    throw error;
  }
}

/** Drops what the server has confirmed. */
export function dropFromOutbox(ids: readonly string[], storage: Storage = localStorage): void {
  for (const id of ids) storage.removeItem(keyOf(id));
}

export const isOutboxKey = (key: string | null): key is string => key?.startsWith(PREFIX) ?? false;

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
  const list = storage.getItem(LIST);
  if (list !== null) {
    const events: unknown = JSON.parse(list);
    if (Array.isArray(events)) addToOutbox(events as BenchEvent[], storage);
    storage.removeItem(LIST);
  }
  for (const key of keysOf(storage).filter((each) => each.startsWith(`${LIST} `))) {
    const taps = JSON.parse(storage.getItem(key)!) as OldTap[];
    const events = taps.flatMap(({ job, model, ...tap }) => {
      if (job === null) return [wholeEvent(tap)];
      const passKey = coatOfJob(job);
      const { step, coat } = readCoatKey(passKey);
      const unit = unitOf(passKey);
      return unit === undefined ? [] : [wholeEvent({ ...tap, unit, step, coat, models: model === null ? [] : [model] })];
    });
    if (events.length < taps.length) continue;
    addToOutbox(events, storage);
    storage.removeItem(key);
  }
}
