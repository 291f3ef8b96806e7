import { useEffect, useState } from 'react';
import type { LineSetsPicture } from '../../contract/lineSets';
import type { Selection } from '../../core/plan/selection';
import { send } from './api';

export type LineSetsAnswer = LineSetsPicture | null | 'working';

/**
 * What other units on the line would bring, worked out by the server when it is asked; null where it cannot be said. Without a
 * selection it is the line as it is; `about` asks for one commission alone.
 */
export function useLineSets(selection: Selection | null, about: string | null = null): LineSetsAnswer {
  const [known, setKnown] = useState<{ of: Selection | null; sets: LineSetsPicture | null } | null>(null);
  useEffect(() => {
    let isWanted = true;
    send<LineSetsPicture | null>('POST', '/api/line/sets', { selection, about }).then(
      (sets) => isWanted && setKnown({ of: selection, sets }),
      () => isWanted && setKnown({ of: selection, sets: null }),
    );
    return () => {
      isWanted = false;
    };
  }, [selection, about]);
  return known !== null && known.of === selection ? known.sets : 'working';
}
