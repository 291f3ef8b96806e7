import { useCallback, useEffect, useState } from 'react';
import { stepOfKey } from '../../../core/scheme/model/halves';
import type { PaintedModels } from '../../../contract/commission';
import { send } from '../../client/api';
import { useDerived } from '../../client/useDerived';

/** Models painted under each pass, step id and coat in its key; asked for anew when the painter comes back from the bench. */
export function usePainted(
  commissionId: string,
  initial: PaintedModels[],
): { painted: ReadonlyMap<string, number[]>; refresh: () => void } {
  const [asked, setAsked] = useState(0);
  const ask = useCallback(() => send<PaintedModels[]>('GET', `/api/commissions/${commissionId}/painted`), [commissionId]);
  // What was known before stays when the program does not answer.
  const { value } = useDerived(asked > 0 ? ask : null, { keeps: true, version: asked });
  const refresh = useCallback(() => setAsked((times) => times + 1), []);
  useEffect(() => {
    window.addEventListener('focus', refresh);
    return () => window.removeEventListener('focus', refresh);
  }, [refresh]);
  return { painted: new Map((value ?? initial).map(({ passKey, models }) => [passKey, models])), refresh };
}

/** Models painted under any coat of a step. */
export const paintedUnder = (painted: ReadonlyMap<string, number[]>, stepId: string): number[] =>
  [...new Set([...painted].filter(([key]) => stepOfKey(key) === stepId).flatMap(([, models]) => models))].sort((a, b) => a - b);
