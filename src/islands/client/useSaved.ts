import { useEffect, useState, useSyncExternalStore } from 'react';
import { Saving, type SaveStatus } from './Saving';

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
  const [saving] = useState(() => new Saving(initial, save));
  useEffect(() => {
    saving.saveBy(save);
  });
  const state = useSyncExternalStore(
    saving.subscribe,
    () => saving.state,
    () => saving.state,
  );
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (!saving.isOpen) return;
      void saving.flush();
      event.preventDefault();
    };
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && event.target.matches(TYPED_INTO);
      if (!(event.ctrlKey || event.metaKey) || typing) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) saving.redo();
      else saving.undo();
    };
    window.addEventListener('beforeunload', warn);
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('beforeunload', warn);
      window.removeEventListener('keydown', onKey);
      if (saving.isOpen) void saving.flush();
    };
  }, [saving]);
  return { ...state, change: saving.change, retry: saving.flush, undo: saving.undo, redo: saving.redo };
}
