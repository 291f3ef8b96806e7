import { useEffect } from 'react';

/** Keeps the screen on while something is in hand, where the browser can do that; a hidden window lets go, and asks again when it is seen. */
export function useAwake(isWorking: boolean): void {
  useEffect(() => {
    if (!isWorking || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let isOver = false;
    const ask = () => {
      if (document.visibilityState === 'hidden') return;
      navigator.wakeLock.request('screen').then(
        (given) => {
          if (isOver) void given.release();
          else lock = given;
        },
        // Refused, as on a low battery: the screen follows the system.
        () => undefined,
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      isOver = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [isWorking]);
}
