import { ulid } from 'ulid';
import { send } from '../../client/api';
import type { Effect } from '../../client/Saving';
import type { PaintedOn } from './paintedOn';

/** What holds of models painted before a step was changed: they count as done under these coats as they are, or are painted again. */
export interface SaidOfMarks {
  kind: 'kept' | 'reopened';
  coats: number[];
}

/** Says it beside a change of the scheme, of each unit that it changes, and takes it back with that change. */
export function markEffect(painted: readonly PaintedOn[], { kind, coats }: SaidOfMarks, onSent: () => void): Effect {
  const made = () =>
    painted.map(({ unit, step, models }) => ({
      unit: unit.id,
      events: coats.map((coat) => ({
        id: ulid(),
        kind: kind as string,
        step: step as string | null,
        coat: coat as number | null,
        models,
        target: null as string | null,
      })),
    }));
  const say = async (of: ReturnType<typeof made>) => {
    for (const { unit, events } of of) await send('POST', `/api/units/${unit}/marks`, { events });
    onSent();
  };
  let said = made();
  return {
    make: () => say(said),
    takeBack: async () => {
      const undone = ({ id }: { id: string }) => ({ id: ulid(), kind: 'undone', step: null, coat: null, models: [], target: id });
      await say(said.map(({ unit, events }) => ({ unit, events: events.map(undone) })));
      // Made again, they are events of their own.
      said = made();
    },
  };
}
