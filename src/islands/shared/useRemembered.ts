import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** A switch of a view that this browser remembers. Where nothing can be stored it holds until the page is left. */
export function useRemembered(name: string, initial: boolean): [boolean, (value: boolean) => void] {
  const value = useSyncExternalStore(
    subscribe,
    () => read(name) ?? initial,
    () => initial,
  );
  const set = (next: boolean) => {
    unstored.set(name, next);
    try {
      localStorage.setItem(name, String(next));
    } catch {
      // Storage may be full or forbidden: the value above holds for this page.
    }
    listeners.forEach((listener) => listener());
  };
  return [value, set];
}

const unstored = new Map<string, boolean>();

function read(name: string): boolean | null {
  if (unstored.has(name)) return unstored.get(name)!;
  try {
    const stored = localStorage.getItem(name);
    return stored === null ? null : stored === 'true';
  } catch {
    return null;
  }
}
