import { copyScheme } from './copyScheme';
import { fitRoster, inARow, renumbered } from './dealOut';
import type { Paint, Scheme } from '../model/definitions';
import { repainted } from './recolour';

interface Adopted {
  scheme: Scheme;
  /** What the shelf does not have yet. */
  newPaints: Paint[];
}

/**
 * A scheme from elsewhere, where its models are numbered 1 to n, for the models of a unit: with ids of its own, and with the paints of this shelf, known by their id or
 * else by their name.
 */
export function adoptScheme(
  { scheme, paints }: { scheme: Scheme; paints: readonly Paint[] },
  shelf: readonly Paint[],
  models: readonly number[],
  newId: () => string,
): Adopted {
  const byId = new Map(shelf.map((paint) => [paint.id, paint]));
  const byName = new Map(shelf.map((paint) => [nameOf(paint), paint]));
  const newPaints: Paint[] = [];
  const ids = new Map<string, string>();
  for (const paint of paints) {
    const known = byId.get(paint.id) ?? byName.get(nameOf(paint));
    if (!known) newPaints.push({ ...paint, id: newId() });
    ids.set(paint.id, known?.id ?? newPaints.at(-1)!.id);
  }
  const own = copyScheme(
    repainted(scheme, (id) => ids.get(id) ?? id),
    newId,
  );
  return { scheme: { ...own, ...fitRoster(renumbered(own, inARow(models.length), models), models) }, newPaints };
}

const nameOf = ({ name }: Paint) => name.trim().toLowerCase();
