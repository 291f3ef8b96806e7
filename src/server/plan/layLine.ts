import { object, type InferType } from 'yup';
import { id, optionalList } from '../../core/formats/fields';
import type { SuggestedLine } from '../../contract/line';
import { announce } from '../running/announcements';
import type { Stores } from '../stores/stores';
import { lineLeft } from '../workshop/builtLine';
import { chosenUnits, chooseUnits, selectionSchema } from '../workshop/choice';
import { loadWorkshop } from '../workshop/loadWorkshop';
import { checkedLine } from './checkedLine';
import { isToBeSearched } from './searchLines';
import { keepOrder, suggestedOrder } from './suggestedOrder';

/** `order`: one that was found for these units while they were only thought of; left out where there is none. */
export const layLineSchema = object({ selection: selectionSchema, order: optionalList(id(), 100_000) });

/** Chooses the units that Trays and Line are about, with the order that was found for them where it is of the jobs that are left. */
export async function layLine(stores: Stores, { selection, order: found = [] }: InferType<typeof layLineSchema>, now: Date): Promise<void> {
  await chooseUnits(stores, { selection });
  if (found.length === 0) return;
  const workshop = await loadWorkshop(stores, now);
  const units = chosenUnits(workshop, selection);
  const { problem } = await lineLeft(workshop, units);
  const open = new Set(problem.jobs.map((job) => job.id));
  const order = found.filter((job) => open.has(job));
  if (order.length === 0 || order.length !== open.size) return;
  checkedLine(problem, { order, wishes: [] });
  await keepOrder(stores, { selection, units }, { order, foundFor: null });
}

export const suggestedSchema = object({ selection: selectionSchema });

/** What is suggested for these units by now, and whether a better one is still sought. */
export async function loadSuggested(stores: Stores, { selection }: InferType<typeof suggestedSchema>, now: Date): Promise<SuggestedLine> {
  const workshop = await loadWorkshop(stores, now);
  const line = { selection, units: chosenUnits(workshop, selection) };
  const built = await lineLeft(workshop, line.units);
  const isSearching = await isToBeSearched(stores, workshop, line, now);
  // Whoever looks at it need not wait until there is peace.
  if (isSearching) announce('wanted');
  return { suggested: await suggestedOrder(stores, workshop, line, built, now), isSearching };
}
