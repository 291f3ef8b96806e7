import { ulid } from 'ulid';
import type { Step } from '../../core/scheme/definitions';
import { send } from '../shared/api';

/**
 * Says what holds of models painted before a step was changed: they count as done under these coats as they are, or are painted
 * again.
 */
export const sendMarks = (unit: string, step: Step, kind: 'kept' | 'reopened', coats: number[], models: number[]): Promise<unknown> =>
  send('POST', '/api/bench/events', {
    events: coats.map((coat) => ({ id: ulid(), kind, at: new Date().toISOString(), unit, step: step.id, coat, models })),
  });
