import { useEffect } from 'react';
import { isPartOfBench } from './keeping';

/** So long after the view stands, all that it is drawn with has been read. */
const SETTLED_MS = 1500;

/** Lets the bench open while the program is away, where the browser can do that: at the computer itself, or over TLS. */
export function useInstalledBench(): void {
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    const settled = setTimeout(() => {
      const files = performance.getEntriesByType('resource').map(({ name }) => new URL(name));
      const keep = [...new Set(files.filter(({ origin }) => origin === window.location.origin).map(({ pathname }) => pathname))].filter(
        isPartOfBench,
      );
      navigator.serviceWorker
        .register('/bench-worker.js', { scope: '/bench' })
        .then(() => navigator.serviceWorker.ready)
        .then(({ active }) => active?.postMessage({ keep }))
        // Refused, as in a private window: the bench works as long as it is open.
        .catch(() => undefined);
    }, SETTLED_MS);
    return () => clearTimeout(settled);
  }, []);
}
