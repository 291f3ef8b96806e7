import { useCallback } from 'react';
import type { Marks, TooFewMarks } from '../../../core/paint/marks';
import type { Paint } from '../../../core/scheme/model/definitions';
import { useDerived } from '../../client/useDerived';
import { callOnce } from '../../client/WorkerCalls';
import type { MatchWorker } from '../../workers/match.worker';

const begin = () => new Worker(new URL('../../workers/match.worker.ts', import.meta.url), { type: 'module' });

/** What marks are asked for: colours by the ids of the paints, groups and pins by their ids. */
export interface MarksQuestion {
  groups: string[];
  from: [id: string, hex: string][];
  beside: string[];
  clear: number;
  pins: Record<string, string>;
}

/** The marks that can be told apart best, found beside the page. `question` is a `MarksQuestion` as text: the same one is not asked twice. */
export function useMarks(question: string) {
  const find = useCallback(
    (unwanted: AbortSignal) => {
      const { from, ...wish } = JSON.parse(question) as MarksQuestion;
      const shelf = from.map(([id, hex]): Paint => ({ id, hex, name: '', kind: 'opaque', dryMinutes: null }));
      return callOnce<MatchWorker, Marks | TooFewMarks>(
        begin,
        (worker) => worker.marks(shelf, { ...wish, from: shelf.map(({ id }) => id) }),
        unwanted,
      );
    },
    [question],
  );
  return useDerived(find, { restMs: 150 });
}
