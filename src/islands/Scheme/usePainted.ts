import { useEffect, useState } from 'react';
import { stepOfKey } from '../../core/scheme/halves';
import type { PaintedModels } from '../../core/views/commission';
import { send } from '../shared/api';

/** Models painted under each pass, step id and coat in its key; asked for anew when the painter comes back from the bench. */
export function usePainted(commissionId: string, initial: PaintedModels[]): ReadonlyMap<string, number[]> {
  const [painted, setPainted] = useState(initial);
  useEffect(() => {
    const refresh = () =>
      // What was known before stays when the program does not answer.
      void send<PaintedModels[]>('GET', `/api/commissions/${commissionId}/painted`).then(setPainted, () => undefined);
    window.addEventListener('focus', refresh);
    return () => window.removeEventListener('focus', refresh);
  }, [commissionId]);
  return new Map(painted.map(({ passKey, models }) => [passKey, models]));
}

/** Models painted under any coat of a step. */
export const paintedUnder = (painted: ReadonlyMap<string, number[]>, stepId: string): number[] =>
  [...new Set([...painted].filter(([key]) => stepOfKey(key) === stepId).flatMap(([, models]) => models))].sort((a, b) => a - b);
