import { useCallback, useState } from 'react';

/**
 * Whether an element has come into the window, or into the part of a panel that is scrolled to: what takes long to work out waits until
 * somebody can see it. Once it was seen it stays so.
 */
export function useSeen(): { seenRef: (element: Element | null) => (() => void) | undefined; isSeen: boolean } {
  const [isSeen, setSeen] = useState(false);
  const seenRef = useCallback((element: Element | null) => {
    if (!element) return undefined;
    const watch = new IntersectionObserver((entries) => {
      if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
      setSeen(true);
      watch.disconnect();
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return { seenRef, isSeen };
}
