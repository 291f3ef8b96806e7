import { useState } from 'react';
import type { LinePlan, LineWish } from '../../core/line/definitions';
import type { LinePicture } from '../../contract/line';
import { send, sendForFile } from '../client/api';
import { saveFile } from '../client/saveFile';

export interface LineActs {
  /** What went wrong with the last thing done. */
  error: string | null;
  setError: (error: string | null) => void;
  /** Puts the line on the bench as it is shown, and goes there. */
  takeUp: () => void;
  /** Brings back the line that the present one took the place of, and goes to the bench. */
  bringBack: () => void;
  printSheet: () => void;
}

/** What is done with the line that is shown. */
export function useLineActs(picture: LinePicture, plan: LinePlan, wishes: readonly LineWish[], inSessions: boolean): LineActs {
  const [error, setError] = useState<string | null>(null);
  const { selection } = picture;
  const attempt = async (act: () => Promise<void>) => {
    try {
      await act();
    } catch (problem) {
      setError((problem as Error).message);
    }
  };
  const toBench = (act: Promise<unknown>) =>
    void attempt(async () => {
      await act;
      window.location.assign('/bench');
    });
  return {
    error,
    setError,
    takeUp: () => toBench(send('PUT', '/api/bench', { selection, line: { order: plan.order, wishes } })),
    bringBack: () => toBench(send('POST', '/api/bench/put-back', {})),
    printSheet: () =>
      void attempt(async () =>
        saveFile(await sendForFile('/api/line/leg-sheet', { selection, order: plan.order, inSessions }), 'leg-sheet.pdf'),
      ),
  };
}
