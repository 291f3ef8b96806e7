import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** A switch or a number of a view that this browser remembers. Where nothing can be stored it holds until the page is left. */
export function useRemembered<T extends boolean | number>(name: string, initial: T): [T, (value: T) => void] {
  const text = useSyncExternalStore(
    subscribe,
    () => read(name),
    () => null,
  );
  const set = (next: T) => {
    unstored.set(name, String(next));
    try {
      localStorage.setItem(name, String(next));
    } catch {
      // Storage may be full or forbidden: the value above holds for this page.
    }
    listeners.forEach((listener) => listener());
  };
  return [valueOf(text, initial), set];
}

const unstored = new Map<string, string>();

function read(name: string): string | null {
  if (unstored.has(name)) return unstored.get(name)!;
  try {
    return localStorage.getItem(name);
  } catch {
    return null;
  }
}

/** What was stored, if it is of the kind that is expected. */
function valueOf<T extends boolean | number>(text: string | null, initial: T): T {
  if (text === null) return initial;
  if (typeof initial === 'boolean') return (text === 'true') as T;
  const number = Number(text);
  return (Number.isFinite(number) ? number : initial) as T;
}
