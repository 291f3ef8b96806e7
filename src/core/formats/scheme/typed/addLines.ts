import { usualPart, usualStep } from '../../../scheme/authoring/briefScheme';
import { byTechnique } from '../../../scheme/authoring/ownTechnique';
import { mapOver, type Mix, type Part, type Scheme, type Step } from '../../../scheme/model/definitions';
import { surfaceOf } from '../../../scheme/model/field';
import { coverageIn, resized } from '../../../scheme/model/shares';
import { factsOf, isByPiece } from '../../../scheme/model/techniques';
import type { TypedLine, TypedMix, TypedStep } from './definitions';

const SURFACE = 0.2;
const FROM_TABLE = ['highlight', 'detail', 'weather', 'sealed'];

/**
 * The scheme with the lines in it: steps of a part that is there already go to the end of its strip. Parts that a line goes over, and
 * mixes typed by their shares, are made where they are new.
 */
export function withSchemeLines(scheme: Scheme, lines: readonly TypedLine[], newId: () => string): Scheme {
  let { parts, allOver, mixes } = scheme;
  const mixId = (mix: Mix | TypedMix): string => {
    if ('id' in mix) return mix.id;
    const known = mixes.find(({ of, thin }) => thin === null && JSON.stringify(of) === JSON.stringify(mix.of));
    if (known) return known.id;
    const made: Mix = { id: newId(), name: mix.name, of: mix.of, thin: null };
    mixes = [...mixes, made];
    return made.id;
  };
  const stepOf = ({ technique, own, paint, mix, coats, unknownPaints, for: whom }: TypedStep, surface: number): Step => ({
    ...usualStep(newId(), technique, paint?.id ?? null, coverageIn(technique, { surface })),
    ...(own && byTechnique(own)),
    ...(mix && { mix: mixId(mix) }),
    // Three transfers are three on each model, not three coats.
    ...(isByPiece(technique) ? { coats: 1, pieces: coats } : { coats }),
    for: whom,
    standard: FROM_TABLE.includes(factsOf(technique).moment) ? 'table' : 'quick',
    note: unknownPaints.join(', '),
  });
  const partNamed = (name: string) => parts.find((part) => part.name.trim().toLowerCase() === name.toLowerCase());
  const partId = (name: string): string => {
    const known = partNamed(name);
    if (known) return known.id;
    const made = { ...usualPart(newId(), name, []), surface: SURFACE };
    parts = [...parts, made];
    return made.id;
  };
  for (const line of lines) {
    if (line.part === null) {
      const over = line.over && mapOver(line.over, (names) => names.map(partId));
      const surface = ({ technique }: TypedStep) => (over ? surfaceOf({ technique, over }, parts) : 1);
      allOver = [...allOver, ...line.steps.map((step) => ({ ...stepOf(step, surface(step)), ...(over && { over }) }))];
      continue;
    }
    const name = line.part;
    const known = partNamed(name);
    const surface = line.surface ?? known?.surface ?? SURFACE;
    const steps = line.steps.map((step) => stepOf(step, surface));
    const into = (part: Part): Part => ({ ...part, steps: [...part.steps, ...steps] });
    parts = known
      ? parts.map((part) => (part === known ? into(resized(known, surface)) : part))
      : [...parts, { ...usualPart(newId(), name, steps), surface }];
  }
  return { ...scheme, mixes, parts, allOver };
}
