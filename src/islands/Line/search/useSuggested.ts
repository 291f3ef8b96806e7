import { useEffect, useState } from 'react';
import type { LinePicture, SuggestedLine } from '../../../contract/line';
import { send } from '../../client/api';

const ASK_AGAIN_MS = 300;

/** What the program suggests for the line on screen, followed for as long as it still looks for something better. */
export function useSuggested({ selection, suggested, isSearching }: LinePicture): SuggestedLine {
  const [known, setKnown] = useState<SuggestedLine>({ suggested, isSearching });
  useEffect(() => {
    if (!known.isSearching) return;
    let isWanted = true;
    const timer = setTimeout(() => {
      send<SuggestedLine>('POST', '/api/line/suggested', { selection }).then(
        (next) => isWanted && setKnown((last) => (isOfSameJobs(last.suggested, next.suggested) ? next : { ...last, isSearching: false })),
        // What is shown stays good: what is found later is there when the view is opened again.
        () => isWanted && setKnown((last) => ({ ...last, isSearching: false })),
      );
    }, ASK_AGAIN_MS);
    return () => {
      isWanted = false;
      clearTimeout(timer);
    };
  }, [known, selection]);
  return known;
}

/** Somebody may have painted something meanwhile: the line on screen stays of what it was opened with. */
function isOfSameJobs(some: readonly string[], others: readonly string[]): boolean {
  const jobs = new Set(some);
  return some.length === others.length && others.every((id) => jobs.has(id));
}
