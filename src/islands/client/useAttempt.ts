import { useState } from 'react';

/** Does things at the server one after the other: what went wrong with the last one is told, and what is done is looked at again. */
export function useAttempt(onDone: () => void): { error: string | null; attempt: (act: Promise<unknown>) => void } {
  const [error, setError] = useState<string | null>(null);
  const attempt = (act: Promise<unknown>) =>
    void act.then(
      () => {
        setError(null);
        onDone();
      },
      (problem: Error) => setError(problem.message),
    );
  return { error, attempt };
}
