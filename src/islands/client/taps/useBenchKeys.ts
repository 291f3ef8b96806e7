import { useEffect, useRef } from 'react';

/** Keys of the bench by `KeyboardEvent.key`, lower case; also what a foot pedal sends. */
export type BenchKeys = Record<string, () => void>;

const isTyping = (target: EventTarget | null) => target instanceof HTMLElement && target.matches('input, select, textarea');
const isOtherControl = (target: EventTarget | null, main: HTMLElement | null) =>
  target instanceof HTMLElement &&
  target !== main &&
  target.closest('button, a, summary') !== null &&
  target.closest('button, a, summary') !== main;

/**
 * Listens for the keys anywhere on the page. Space on another focused control works that control, as everywhere;
 * a key held down counts once.
 */
export function useBenchKeys(keys: BenchKeys, main: React.RefObject<HTMLButtonElement | null>): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const isOurs = (event: KeyboardEvent) =>
      !isTyping(event.target) && !event.ctrlKey && !event.metaKey && !event.altKey && document.querySelector('dialog[open]') === null;
    const onDown = (event: KeyboardEvent) => {
      if (!isOurs(event) || (event.key === ' ' && isOtherControl(event.target, main.current))) return;
      const act = latest.current[event.key.toLowerCase()];
      if (!act) return;
      event.preventDefault();
      if (!event.repeat) act();
    };
    // A focused button clicks on the way up of Space, which would count the model twice.
    const onUp = (event: KeyboardEvent) => {
      if (event.key === ' ' && event.target === main.current) event.preventDefault();
    };
    window.addEventListener('keydown', onDown);
    window.addEventListener('keyup', onUp);
    return () => {
      window.removeEventListener('keydown', onDown);
      window.removeEventListener('keyup', onUp);
    };
  }, [main]);
}
