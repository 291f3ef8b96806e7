import { object, type InferType } from 'yup';
import { wholeEvent } from '../../core/bench/wholeEvent';
import { count, id, list, oneOf } from '../../core/formats/fields';
import { MOST_MODELS } from '../../core/formats/scheme/schemeSchemas';
import { recordEvents } from './recordEvents';
import type { Stores } from '../stores/stores';

export const sayOfMarksSchema = object({
  events: list(
    object({
      id: id(),
      kind: oneOf(['kept', 'left-out', 'reopened', 'undone'] as const),
      step: id().nullable().notRequired().defined(),
      coat: count(1, 10).nullable().notRequired().defined(),
      models: list(count(1, MOST_MODELS), MOST_MODELS),
      target: id().nullable().notRequired().defined(),
    }),
    100,
  ),
});

/**
 * What the painter says of models that were painted before their scheme was changed. It holds of all that was tapped until now,
 * whatever the clock of the device says: it stands behind the last tap on the unit.
 */
export async function sayOfMarks(
  stores: Stores,
  unitId: string | undefined,
  { events }: InferType<typeof sayOfMarksSchema>,
  now: Date,
): Promise<{ recorded: string[] }> {
  const unit = unitId ?? '';
  const last = Math.max(-Infinity, ...(await stores.bench.ofUnits([unit])).map(({ at }) => Date.parse(at)));
  const then = new Date(Math.max(now.getTime(), last + 1));
  const at = then.toISOString();
  return recordEvents(
    stores,
    { events: events.map((event) => wholeEvent({ ...event, at, unit: event.kind === 'undone' ? null : unit })) },
    then,
  );
}
