import type { BenchEvent } from '../definitions';

const byTime = (a: BenchEvent, b: BenchEvent) => Date.parse(a.at) - Date.parse(b.at) || (a.id < b.id ? -1 : 1);

/**
 * One event each, undone ones and their undoings left out, in the order of the clients' clocks: whatever is folded over
 * them depends on the set of events alone, not on how they arrived or how often.
 */
export function effectiveEvents(events: readonly BenchEvent[]): BenchEvent[] {
  const byId = new Map<string, BenchEvent>();
  for (const event of events) {
    // Where only the time of an event is known, whatever knows more replaces it.
    if (!byId.has(event.id) || byId.get(event.id)!.kind === 'elsewhere') byId.set(event.id, event);
  }
  const undone = new Set([...byId.values()].filter((event) => event.kind === 'undone').map((event) => event.target));
  return [...byId.values()].filter((event) => event.kind !== 'undone' && !undone.has(event.id)).sort(byTime);
}
