import { object, type InferType } from 'yup';
import { list } from '../../core/formats/fields';
import { UNSAVED } from '../../data/file/revisions';
import type { Stores } from '../stores/stores';
import { given, shelfPaintSchema } from './savePaint';

export const addPaintsSchema = object({ paints: list(shelfPaintSchema, 2000, 1) });

/** Puts paints from a list on the shelf, all or none; what is there already by name and colour is not doubled. Answers with how many came. */
export async function addPaints(stores: Stores, { paints }: InferType<typeof addPaintsSchema>): Promise<{ added: number; known: number }> {
  return stores.allOrNothing(async (within) => {
    const keyOf = ({ name, hex }: { name: string; hex: string }) => `${name.trim().toLowerCase()} ${hex}`;
    const known = new Set((await within.paints.list()).map(keyOf));
    let added = 0;
    for (const paint of paints) {
      if (known.has(keyOf(paint))) continue;
      known.add(keyOf(paint));
      if (await within.paints.save({ ...given(paint), name: paint.name.trim() }, UNSAVED)) added++;
    }
    return { added, known: paints.length - added };
  });
}
