import type { Paint, Step, StepLineage } from './definitions';

/** What a copy of a step remembers: the first that it goes back to, as long as it is painted by the same technique. */
export const lineageOf = ({ id, technique, paint, like }: Step): StepLineage =>
  like?.technique === technique ? like : { step: id, technique, paint };

/**
 * Id of the first of the steps that this one was copied from; null where it was not, or where it is another piece of work by now:
 * with another technique, or with a paint of another kind. Another paint of the same kind is the same work.
 */
export function likeOf({ technique, paint, like }: Step, paints: ReadonlyMap<string, Pick<Paint, 'kind'>>): string | null {
  if (like?.technique !== technique) return null;
  const [then, now] = [paints.get(like.paint ?? '')?.kind, paints.get(paint ?? '')?.kind];
  return then !== undefined && now !== undefined && then !== now ? null : like.step;
}

/** A step once more in the same unit: it is painted beside the first, so that neither tells of the other. */
export function ownStep({ like: _like, shared: _shared, ...step }: Step, id: string): Step {
  return { ...step, id };
}
