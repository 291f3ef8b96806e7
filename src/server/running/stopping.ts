/** What has to be done before the program ends. The host is not in the same bundle as the pages: they meet here. */
const KEY = Symbol.for('neat-relay stopping');
type Shared = typeof globalThis & { [KEY]?: Set<() => Promise<void>> };

const acts = ((globalThis as Shared)[KEY] ??= new Set());

export const onStop = (act: () => Promise<void>): void => void acts.add(act);

export async function stopAll(): Promise<void> {
  for (const act of acts) await act();
}
