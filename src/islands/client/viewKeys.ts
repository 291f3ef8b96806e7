import { useEffect, useEffectEvent } from 'react';
import { isTyping } from '../../ui/isTyping';

/** Keys of a view by `KeyboardEvent.key`, lower case. */
export type ViewKeys = Record<string, () => void>;

/** Is a key for the view itself: not typed into a field, not held with another, and nothing lies over the view? */
export const isForView = (event: KeyboardEvent): boolean =>
  !isTyping(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey && document.querySelector('dialog[open]') === null;

/** Listens for the keys of a view anywhere on its page; a key held down counts once. */
export function useViewKeys(keys: ViewKeys): void {
  const onKey = useEffectEvent((event: KeyboardEvent) => {
    if (isForView(event) && !event.repeat) keys[event.key.toLowerCase()]?.();
  });
  useEffect(() => {
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
