import { boolean, object, type InferType } from 'yup';
import { paintFields } from '../../core/formats/scheme/commissionSchemas';
import { atLeast, count, day, text } from '../../core/formats/fields';
import { Mixer } from '../../core/colour/mixing';
import { learnStrengths } from '../../core/paint/learnStrengths';
import type { PotFacts } from '../../core/paint/shelf';
import { UNSAVED } from '../../data/file/revisions';
import { ConflictError } from '../stores/errors';
import type { Stores } from '../stores/stores';

/** More than any pot holds, in millilitres. */
export const LARGEST_POT_ML = 5000;
const WORD = 80;

const ml = () => atLeast(0.1, `millilitres from 0.1 to ${LARGEST_POT_ML}`).max(LARGEST_POT_ML);

/** What is not given stays as it is. */
const potFields = {
  maker: text('who makes it', WORD).optional().default(undefined),
  volumeMl: ml().nullable().notRequired().default(undefined),
  openedOn: day().nullable().notRequired().default(undefined),
  priceMinor: count(0).nullable().notRequired().default(undefined),
  discontinued: boolean().strict().optional().default(undefined),
  spoilt: boolean().strict().optional().default(undefined),
  place: text('where it stands', WORD).optional().default(undefined),
};

export const shelfPaintSchema = object({ ...paintFields, ...potFields });
export const savePaintSchema = object({ revision: count(UNSAVED), paint: shelfPaintSchema.required() });

/** Puts a new paint on the shelf, or changes one as a window shows it that was opened at a revision. Answers with the new one. */
export async function savePaint(
  stores: Pick<Stores, 'paints' | 'allOrNothing'>,
  { revision, paint }: InferType<typeof savePaintSchema>,
): Promise<{ revision: number }> {
  await stores.allOrNothing(async ({ paints }) => {
    const before = (await paints.list()).find(({ id }) => id === paint.id);
    if (!(await paints.save(given(paint), revision)))
      throw new ConflictError(
        `${paint.name} was changed in another window after this one was opened: reload the page, then make your change again.`,
      );
    // How strong a paint is goes by its colour.
    if (before && before.hex !== paint.hex) await learnAnew(paints);
  });
  return { revision: revision + 1 };
}

/** Without what nobody has said. */
export const given = <T extends InferType<typeof shelfPaintSchema>>(paint: T) =>
  Object.fromEntries(Object.entries(paint).filter(([, value]) => value !== undefined)) as Omit<T, keyof PotFacts> & Partial<PotFacts>;

/** Works out from all that was seen of mixes how strong each paint is. */
export async function learnAnew(paints: Stores['paints']): Promise<void> {
  const shelf = new Map((await paints.list()).map(({ id, hex }) => [id, { hex }]));
  await paints.setStrengths(learnStrengths(await paints.seen(), shelf, new Mixer()));
}
