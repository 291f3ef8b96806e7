import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError } from './api';

export type SaveStatus = { kind: 'saved' } | { kind: 'waiting' } | { kind: 'failed'; message: string };

/** Typing pauses this long before it is sent. */
const SETTLE_MS = 350;

interface Options<T> {
  initial: T;
  /** Sends the value; called again only after it has answered. */
  save: (value: T) => Promise<void>;
}

/**
 * A value that is edited in place and saved by itself, with undo. While it is not saved it stays in the window, the
 * status says so, and leaving the page asks first.
 */
export function useSaved<T>({ initial, save }: Options<T>) {
  const [value, setValue] = useState(initial);
  const [status, setStatus] = useState<SaveStatus>({ kind: 'saved' });
  const [past, setPast] = useState<T[]>([]);
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
    if (sending.current) return;
    sending.current = true;
    try {
      while (dirty.current) {
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

  const change = useCallback(
    (next: T) => {
      setPast((stack) => [...stack.slice(-99), latest.current]);
      put(next);
    },
    [put],
  );

  const undo = useCallback(() => {
    setPast((stack) => {
      const before = stack.at(-1);
      if (before !== undefined) queueMicrotask(() => put(before));
      return stack.slice(0, -1);
    });
  }, [put]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (!dirty.current && !sending.current) return;
      void flush();
      event.preventDefault();
    };
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches('input, select, textarea');
      if ((event.ctrlKey || event.metaKey) && event.key === 'z' && !typing) {
        event.preventDefault();
        undo();
      }
    };
    window.addEventListener('beforeunload', warn);
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('keydown', onKey);
      if (dirty.current) void flush();
    };
  }, [flush, undo]);

  return { value, change, status, retry: flush, undo, canUndo: past.length > 0 };
}
