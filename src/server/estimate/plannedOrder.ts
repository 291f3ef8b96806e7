import { carryOver, type OwnLine } from '../../core/line/carryOver';
import type { LineProblem } from '../../core/line/definitions';
import { selectionKey, type Selection } from '../../core/views/selection';
import { quickOrder } from '../line/quickOrder';
import type { Stores } from '../stores';

const MOST_KEPT = 40;
/** Orders that a search has found for some units, newest last; they are worth keeping only while the program runs. */
const suggested = new WeakMap<Stores, Map<string, string[]>>();
const counts = new WeakMap<Stores, number>();

/** How many suggestions there have been: what was planned before the last one is not up to date. */
export const suggestionsOf = (stores: Stores): number => counts.get(stores) ?? 0;

/** Keeps the order a search has found, so that every view plans with it. */
export function suggestOrder(stores: Stores, selection: Selection, order: string[]): void {
  const orders = suggested.get(stores) ?? new Map<string, string[]>();
  orders.delete(selectionKey(selection));
  orders.set(selectionKey(selection), order);
  if (orders.size > MOST_KEPT) orders.delete(orders.keys().next().value!);
  suggested.set(stores, orders);
  counts.set(stores, suggestionsOf(stores) + 1);
}

/**
 * The order that the bench will follow for these units: what lies on the bench, the painter's own, what a search has found,
 * else a good one found in a moment. Every figure of every view is of this order.
 */
export async function plannedOrder(stores: Stores, selection: Selection, problem: LineProblem): Promise<string[]> {
  if (problem.jobs.length === 0) return [];
  const line = (await benchLineFor(stores, selection)) ?? (await stores.workshop.ownLine(selection)) ?? suggestedLine(stores, selection);
  return line ? carryOver(problem, line).order : quickOrder(problem);
}

async function benchLineFor(stores: Stores, selection: Selection): Promise<OwnLine | null> {
  const bench = await stores.workshop.bench();
  return bench && selectionKey(bench.selection) === selectionKey(selection) ? bench : null;
}

function suggestedLine(stores: Stores, selection: Selection): OwnLine | null {
  const order = suggested.get(stores)?.get(selectionKey(selection));
  return order ? { order, wishes: [] } : null;
}
