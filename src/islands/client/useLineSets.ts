import { useCallback } from 'react';
import type { LineSetsPicture } from '../../contract/lineSets';
import type { Selection } from '../../core/plan/selection';
import { send } from './api';
import { useDerived } from './useDerived';

export type LineSetsAnswer = LineSetsPicture | null | 'working';

/**
 * What other units on the line would bring, worked out by the server when it is asked; null where it cannot be said. Without a
 * selection it is the line as it is; `about` asks for one commission alone.
 */
export function useLineSets(selection: Selection | null, about: string | null = null): LineSetsAnswer {
  const ask = useCallback(
    async () => ({ sets: await send<LineSetsPicture | null>('POST', '/api/line/sets', { selection, about }) }),
    [selection, about],
  );
  const { value, error } = useDerived(ask);
  return value === null && error === null ? 'working' : (value?.sets ?? null);
}
