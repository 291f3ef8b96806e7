import { useCallback, useEffect, useState } from 'react';
import { stepOfKey } from '../../core/scheme/model/halves';
import type { PaintedModels } from '../../contract/commission';
import { send } from '../client/api';

/** Models painted under each pass, step id and coat in its key; asked for anew when the painter comes back from the bench. */
export function usePainted(
  commissionId: string,
  initial: PaintedModels[],
): { painted: ReadonlyMap<string, number[]>; refresh: () => void } {
  const [painted, setPainted] = useState(initial);
  const refresh = useCallback(
    // What was known before stays when the program does not answer.
    () => void send<PaintedModels[]>('GET', `/api/commissions/${commissionId}/painted`).then(setPainted, () => undefined),
    [commissionId],
  );
  useEffect(() => {
    window.addEventListener('focus', refresh);
    return () => window.removeEventListener('focus', refresh);
  }, [refresh]);
  return { painted: new Map(painted.map(({ passKey, models }) => [passKey, models])), refresh };
}

/** Models painted under any coat of a step. */
export const paintedUnder = (painted: ReadonlyMap<string, number[]>, stepId: string): number[] =>
  [...new Set([...painted].filter(([key]) => stepOfKey(key) === stepId).flatMap(([, models]) => models))].sort((a, b) => a - b);
