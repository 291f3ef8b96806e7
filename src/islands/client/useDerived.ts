import { useCallback, useEffect, useState } from 'react';

export interface Derived<T> {
  /** Null until it is known. */
  value: T | null;
  /** Why it could not be had, in words. */
  error: string | null;
  /** Works it out once more. */
  again: () => void;
}

interface Options {
  /** Begins only when nothing else has been asked for so long. */
  restMs?: number;
  /** What was known before stays until the next is known, or where that cannot be had. */
  keeps?: boolean;
  /** Tries again by itself, so long after it has failed. */
  retryMs?: number;
  /** When it changes, it is worked out once more. */
  version?: unknown;
}

interface Known<T> {
  of: unknown;
  value: T | null;
  error: string | null;
}

/**
 * Something that takes a while, of what is on screen: worked out whenever `work` becomes another (so it is memoized), by the server
 * or by a worker. An answer that comes too late is of no use to anybody and is dropped. Null asks for nothing.
 */
export function useDerived<T>(
  work: ((unwanted: AbortSignal) => Promise<T>) | null,
  { restMs = 0, keeps = false, retryMs, version }: Options = {},
): Derived<T> {
  const [known, setKnown] = useState<Known<T>>({ of: null, value: null, error: null });
  const [attempt, setAttempt] = useState(0);
  const again = useCallback(() => setAttempt((count) => count + 1), []);
  useEffect(() => {
    if (!work) return;
    const left = new AbortController();
    let timer: ReturnType<typeof setTimeout>;
    const begin = () =>
      void work(left.signal).then(
        (value) => {
          if (!left.signal.aborted) setKnown({ of: work, value, error: null });
        },
        (problem: Error) => {
          if (left.signal.aborted) return;
          setKnown((last) => ({ of: work, value: last.value, error: problem.message }));
          if (retryMs !== undefined) timer = setTimeout(again, retryMs);
        },
      );
    if (restMs > 0) timer = setTimeout(begin, restMs);
    else begin();
    return () => {
      left.abort();
      clearTimeout(timer);
    };
  }, [work, attempt, version, restMs, retryMs, again]);
  const isOfThis = known.of === work;
  return { value: keeps || (isOfThis && known.error === null) ? known.value : null, error: isOfThis ? known.error : null, again };
}
