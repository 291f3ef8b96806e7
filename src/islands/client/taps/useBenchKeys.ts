import { useEffect, useRef } from 'react';
import { isForView, type ViewKeys } from '../viewKeys';
import { useHold } from './useHold';

/** What a foot pedal sends: the `KeyboardEvent.key` of House rules, or '' for none. Held down it undoes. */
export interface Pedal {
  key: string;
  press: () => void;
  hold: () => void;
}

const NO_PEDAL: Pedal = { key: '', press: () => undefined, hold: () => undefined };

const isOtherControl = (target: EventTarget | null, main: HTMLElement | null) =>
  target instanceof HTMLElement &&
  target !== main &&
  target.closest('button, a, summary') !== null &&
  target.closest('button, a, summary') !== main;

/**
 * Listens for the keys anywhere on the page. Space on another focused control works that control, as everywhere;
 * a key held down counts once.
 */
export function useBenchKeys(keys: ViewKeys, main: React.RefObject<HTMLButtonElement | null>, pedal: Pedal = NO_PEDAL): void {
  const held = useHold(pedal.press, pedal.hold);
  const latest = useRef({ keys, pedal: { key: pedal.key, held } });
  useEffect(() => {
    latest.current = { keys, pedal: { key: pedal.key, held } };
  });
  useEffect(() => {
    const isPedal = (event: KeyboardEvent) => event.key === latest.current.pedal.key && isForView(event);
    const onDown = (event: KeyboardEvent) => {
      if (isPedal(event)) {
        event.preventDefault();
        if (!event.repeat) latest.current.pedal.held.down();
        return;
      }
      if (!isForView(event) || (event.key === ' ' && isOtherControl(event.target, main.current))) return;
      const act = latest.current.keys[event.key.toLowerCase()];
      if (!act) return;
      event.preventDefault();
      if (!event.repeat) act();
    };
    // A focused button clicks on the way up of Space, which would count the model twice.
    const onUp = (event: KeyboardEvent) => {
      if (isPedal(event)) latest.current.pedal.held.up();
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
