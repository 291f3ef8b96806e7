import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError } from './api';

export type SaveStatus = { kind: 'saved' } | { kind: 'waiting' } | { kind: 'failed'; message: string };

/** Typing pauses this long before it is sent. */
const SETTLE_MS = 350;
const MOST_REMEMBERED = 100;
/** Where Ctrl Z belongs to the text that is being typed. */
const TYPED_INTO = 'input:not([type=checkbox], [type=radio], [type=range]), select, textarea';

/** What a view needs to show and steer the storing. */
export interface SavedControls {
  status: SaveStatus;
  /** Sends what is not saved yet; false where it could not be saved. */
  retry: () => Promise<boolean>;
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
}

/** What a change does beside the value, at the server: sent before the value is, and taken back when the change is. */
export interface Effect {
  make: () => Promise<void>;
  takeBack: () => Promise<void>;
}

/** A value that was left, and what leaving it did. */
interface Left<T> {
  value: T;
  effect: Effect | null;
}

interface Options<T> {
  initial: T;
  /** Sends the value; called again only after it has answered. */
  save: (value: T) => Promise<void>;
}

/**
 * A value that is edited in place and saved by itself, with undo and redo. While it is not saved it stays in the window, the
 * status says so, and leaving the page asks first.
 */
export function useSaved<T>({ initial, save }: Options<T>) {
  const [value, setValue] = useState(initial);
  const [status, setStatus] = useState<SaveStatus>({ kind: 'saved' });
  const history = useRef<{ past: Left<T>[]; future: Left<T>[] }>({ past: [], future: [] });
  const effects = useRef<(() => Promise<void>)[]>([]);
  const [can, setCan] = useState({ undo: false, redo: false });
  const latest = useRef(initial);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const sending = useRef(false);
  const dirty = useRef(false);
  const saveRef = useRef(save);
  useEffect(() => {
    saveRef.current = save;
  });

  const flush = useCallback(async () => {
    clearTimeout(timer.current);
    if (sending.current) return !dirty.current;
    sending.current = true;
    try {
      while (dirty.current) {
        for (; effects.current[0]; effects.current.shift()) await effects.current[0]();
        dirty.current = false;
        await saveRef.current(latest.current);
      }
      setStatus({ kind: 'saved' });
    } catch (error) {
      dirty.current = true;
      setStatus({ kind: 'failed', message: error instanceof ApiError ? error.message : String(error) });
    } finally {
      sending.current = false;
    }
    return !dirty.current;
  }, []);

  const put = useCallback(
    (next: T) => {
      latest.current = next;
      dirty.current = true;
      setValue(next);
      setStatus({ kind: 'waiting' });
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), SETTLE_MS);
    },
    [flush],
  );

  /** Goes to another value; what was there before is remembered on one of the two stacks. */
  const go = useCallback(
    (next: T, past: Left<T>[], future: Left<T>[]) => {
      history.current = { past: past.slice(-MOST_REMEMBERED), future };
      setCan({ undo: past.length > 0, redo: future.length > 0 });
      put(next);
    },
    [put],
  );

  const change = useCallback(
    (next: T, effect: Effect | null = null) => {
      if (effect) effects.current.push(effect.make);
      go(next, [...history.current.past, { value: latest.current, effect }], []);
    },
    [go],
  );

  const undo = useCallback(() => {
    const { past, future } = history.current;
    const left = past.at(-1);
    if (!left) return;
    if (left.effect) effects.current.push(left.effect.takeBack);
    go(left.value, past.slice(0, -1), [...future, { value: latest.current, effect: left.effect }]);
  }, [go]);

  const redo = useCallback(() => {
    const { past, future } = history.current;
    const left = future.at(-1);
    if (!left) return;
    if (left.effect) effects.current.push(left.effect.make);
    go(left.value, [...past, { value: latest.current, effect: left.effect }], future.slice(0, -1));
  }, [go]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (!dirty.current && !sending.current) return;
      void flush();
      event.preventDefault();
    };
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches(TYPED_INTO);
      if (!(event.ctrlKey || event.metaKey) || typing) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('beforeunload', warn);
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('keydown', onKey);
      if (dirty.current) void flush();
    };
  }, [flush, undo, redo]);

  return { value, change, status, retry: flush, undo, redo, canUndo: can.undo, canRedo: can.redo };
}
