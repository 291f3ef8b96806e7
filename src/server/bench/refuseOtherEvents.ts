import type { BenchEvent } from '../../core/bench/definitions';
import type { Stores } from '../stores/stores';
import { ConflictError } from '../stores/errors';

/**
 * An event that is here already may come again, as the bench sends a tap until it is answered; one that bears the id of another is
 * refused, as it would be lost. Of two tellings of one event, one may know no more than its time.
 */
export async function refuseOtherEvents(stores: Pick<Stores, 'bench'>, events: readonly BenchEvent[]): Promise<void> {
  const known = await stores.bench.withIds(events.map((event) => event.id));
  events.forEach((event, index) => {
    const other = known.get(event.id);
    if (other && !isSame(event, other))
      throw new ConflictError(`events[${index}].id is "${event.id}", which another event has: give each an id of its own.`);
  });
}

function isSame(event: BenchEvent, known: BenchEvent): boolean {
  if (event.kind === 'elsewhere' || known.kind === 'elsewhere') return true;
  return told(event) === told(known);
}

/** What neither the server nor a file adds to an event. */
const told = ({ kind, step, coat, models, target, minutes, note }: BenchEvent) =>
  JSON.stringify([kind, step, coat, models, target, minutes, note]);
