import { ulid } from 'ulid';
import type { Step } from '../../core/scheme/model/definitions';
import { send } from '../client/api';
import type { Effect } from '../client/Saving';

/** What holds of models painted before a step was changed: they count as done under these coats as they are, or are painted again. */
export interface SaidOfMarks {
  kind: 'kept' | 'reopened';
  coats: number[];
}

/** Says it beside a change of the scheme, and takes it back with that change. */
export function markEffect(
  unit: string,
  step: Pick<Step, 'id'>,
  { kind, coats }: SaidOfMarks,
  models: number[],
  onSent: () => void,
): Effect {
  const say = async (events: object[]) => {
    await send('POST', `/api/units/${unit}/marks`, { events });
    onSent();
  };
  const made = () => coats.map((coat) => ({ id: ulid(), kind, step: step.id, coat, models, target: null }));
  let said = made();
  return {
    make: () => say(said),
    takeBack: async () => {
      await say(said.map(({ id }) => ({ id: ulid(), kind: 'undone', step: null, coat: null, models: [], target: id })));
      // Made again, they are events of their own.
      said = made();
    },
  };
}
