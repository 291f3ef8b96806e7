import { useCallback, useEffect, useRef, useState } from 'react';
import type { BenchFigures, BenchPicture } from '../../../contract/bench';
import { send } from '../../client/api';

/** Figures follow the taps, at most this often. */
export const FIGURES_MS = 400;

/** The figures as they follow the taps; those the window was opened with stay for comparison. */
export function useFigures(picture: BenchPicture) {
  const [figures, setFigures] = useState<BenchFigures>(picture);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const [shownFor, setShownFor] = useState(picture);
  if (shownFor !== picture) {
    setShownFor(picture);
    setFigures(picture);
  }
  const refreshFigures = useCallback(() => {
    clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      // The old figures stay until the next tap is stored.
      send<BenchFigures>('GET', '/api/bench/figures').then(setFigures, () => undefined);
    }, FIGURES_MS);
  }, []);
  useEffect(() => () => clearTimeout(timer.current), []);
  return { figures, refreshFigures };
}
