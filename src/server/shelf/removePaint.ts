import { ConflictError, NotFoundError } from '../stores/errors';
import type { Stores } from '../stores/stores';
import { learnAnew } from './savePaint';
import { tracePaint } from './tracePaint';

/** Takes a paint off the shelf that no scheme asks for and no model carries. */
export async function removePaint(stores: Stores, id = ''): Promise<void> {
  const paint = (await stores.paints.list()).find((each) => each.id === id);
  if (!paint) throw new NotFoundError('This paint is not on the shelf any more: reload the page.');
  if ((await stores.commissions.schemesThatName(id)).length > 0)
    throw new ConflictError(`${paint.name} is in a scheme: put another paint in its place first, then take it off the shelf.`);
  if ((await tracePaint(stores, id)).length > 0)
    throw new ConflictError(
      `Models carry ${paint.name}: it stays on the shelf, so that they can be touched up. Mark it as spoilt instead.`,
    );
  await stores.allOrNothing(async ({ paints }) => {
    await paints.remove(id);
    await learnAnew(paints);
  });
}
