import { usualPart, usualStep } from './briefScheme';
import type { RemovedPiece } from '../model/removedPiece';
import type { Part, Scheme, Step } from '../model/definitions';

/** What is decided about a unit while it is built; all of it stands in its scheme as steps like any other. */
export interface BuildChoices {
  cleaning: Cleaning;
  /** Names of the parts that are painted first and glued on after. */
  gluedLater: string[];
}

/** How thoroughly mould lines are cleaned. */
export const CLEANINGS = ['none', 'what is seen from above', 'seen from above, leaders all round', 'all round'] as const;
/** `other` where the scheme says it in a way of its own. */
export type Cleaning = (typeof CLEANINGS)[number] | 'other';

/** Of the model's surface. */
const FROM_ABOVE = 0.5;
const ALL_ROUND = 1;

const leaderIds = ({ groups }: Pick<Scheme, 'groups'>): string[] => groups.filter(({ kind }) => kind === 'leader').map(({ id }) => id);
const isCleaning = (step: Step): boolean => step.technique === 'clean';

/** How thoroughly a scheme has the models cleaned. */
export function cleaningOf(scheme: Pick<Scheme, 'groups' | 'allOver'>): Cleaning {
  const steps = scheme.allOver.filter(isCleaning);
  const [first, second] = steps;
  if (!first) return 'none';
  if (steps.length === 1 && first.for === null) return first.coverage > FROM_ABOVE ? 'all round' : 'what is seen from above';
  const isApart = second && first.for !== null && second.for !== null && 'without' in first.for && 'only' in second.for;
  return steps.length === 2 && isApart ? 'seen from above, leaders all round' : 'other';
}

/**
 * The scheme with its models cleaned so. A cleaning step that stays keeps its id and so its marks; `idOf` names the first and the
 * second one, always alike, so that one that was taken out comes back with its marks, and as it was where it is in `removed`.
 */
export function withCleaning(
  scheme: Scheme,
  cleaning: Cleaning,
  idOf: (place: number) => string,
  removed: readonly RemovedPiece['piece'][] = [],
): Scheme {
  if (cleaning === 'other' || cleaning === cleaningOf(scheme)) return scheme;
  const before = scheme.allOver.filter(isCleaning);
  const step = (index: number, coverage: number, whom: Step['for']): Step => ({
    ...(before[index] ?? removedStep(removed, idOf(index)) ?? usualStep(idOf(index), 'clean', null, coverage)),
    coverage,
    for: whom,
  });
  const leaders = leaderIds(scheme);
  const steps = {
    none: () => [],
    'what is seen from above': () => [step(0, FROM_ABOVE, null)],
    'all round': () => [step(0, ALL_ROUND, null)],
    'seen from above, leaders all round': () => [step(0, FROM_ABOVE, { without: leaders }), step(1, ALL_ROUND, { only: leaders })],
  }[cleaning]();
  return { ...scheme, allOver: [...steps, ...scheme.allOver.filter((each) => !isCleaning(each))] };
}

const removedStep = (removed: readonly RemovedPiece['piece'][], id: string): Step | undefined =>
  removed.flatMap((piece) => (piece.kind === 'step' && piece.step.id === id ? [piece.step] : []))[0];

const isGluing = (step: Step): boolean => step.technique === 'assemble';

/** Parts that are glued on behind some paint of theirs. */
export const gluedLaterOf = ({ parts }: Pick<Scheme, 'parts'>): string[] =>
  parts.filter(({ steps }) => steps.some((step, place) => isGluing(step) && place > 0)).map(({ name }) => name);

/** Nothing but what `withGluedLater` gave it. */
const isBare = ({ steps }: Part): boolean => steps.length === 2 && steps[0]!.paint === null && steps[0]!.mix === null;

/**
 * The scheme with these parts painted first and glued on after: a part of that name gets the step behind its paint, a new one a base
 * coat whose paint is still to be named. Parts no longer named are glued at the build with the others. What is in `removed` comes
 * back as it was.
 */
export function withGluedLater(
  scheme: Scheme,
  names: readonly string[],
  newId: () => string,
  removed: readonly RemovedPiece['piece'][] = [],
): Scheme {
  const wanted = new Map(names.map((name) => [name.trim().toLowerCase(), name.trim()]).filter(([key]) => key !== '') as [string, string][]);
  const isLate = new Set(gluedLaterOf(scheme));
  // Named by its part, so that it comes back with its marks.
  const glue = (partId: string) => removedStep(removed, `glue-${partId}`) ?? usualStep(`glue-${partId}`, 'assemble', null, 0.05);
  const parts = scheme.parts.flatMap((part): Part[] => {
    const isWanted = wanted.delete(part.name.trim().toLowerCase());
    if (isWanted === isLate.has(part.name)) return [part];
    if (isWanted) return [{ ...part, steps: [...part.steps, glue(part.id)] }];
    return isBare(part) ? [] : [{ ...part, steps: part.steps.filter((step) => !isGluing(step)) }];
  });
  const added = [...wanted.values()].map((name) => {
    const before = removed.flatMap((piece) =>
      piece.kind === 'part' && isBare(piece.part) && piece.part.name === name ? [piece.part] : [],
    )[0];
    if (before) return before;
    const id = newId();
    return usualPart(id, name, [usualStep(newId(), 'basecoat', null, 0.1), glue(id)]);
  });
  return { ...scheme, parts: [...parts, ...added] };
}
