import { object, type InferType } from 'yup';
import { ownLine } from '../../core/formats/commission/commission';
import { count } from '../../core/formats/fields';
import { UNSAVED } from '../../data/file/revisions';
import { ConflictError } from '../stores/errors';
import { lineLeft } from '../workshop/builtLine';
import { chosenUnits, selectionSchema } from '../workshop/choice';
import { loadWorkshop } from '../workshop/loadWorkshop';
import type { Stores } from '../stores/stores';
import { checkedLine } from './checkedLine';

export const ownLineSchema = object({
  revision: count(UNSAVED),
  selection: selectionSchema,
  line: ownLine().nullable().default(null),
});

/** Keeps the painter's own order for these units, or forgets it; what does not fit the line as it is now is refused. */
export async function saveOwnLine(
  stores: Stores,
  { revision, selection, line }: InferType<typeof ownLineSchema>,
  now: Date,
): Promise<{ revision: number }> {
  if (line) checkedLine(await problemOf(stores, selection, now), line);
  if (!(await stores.workshop.saveOwnLine(selection, line, revision)))
    throw new ConflictError(
      'This line was changed in another window after this one was opened: reload the page, then make your change again.',
    );
  return { revision: revision + 1 };
}

async function problemOf(stores: Stores, selection: InferType<typeof selectionSchema>, now: Date) {
  const workshop = await loadWorkshop(stores, now);
  return (await lineLeft(workshop, chosenUnits(workshop, selection))).problem;
}
