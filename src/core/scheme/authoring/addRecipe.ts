import type { Mix, MixShare, PaintFor, Scheme, Step } from '../model/definitions';

/** A scheme with the parts of a recipe on its outside; mixes of the recipe get ids of their own, so that none stands for another. */
export function addRecipe(scheme: Scheme, recipe: Scheme, newId: () => string): Scheme {
  const ids = new Map(recipe.mixes.map((mix) => [mix.id, newId()]));
  const fresh = (id: string): string => ids.get(id) ?? id;
  const mix = (each: Mix): Mix => ({
    ...each,
    id: fresh(each.id),
    of: each.of.map((share): MixShare => ('mix' in share ? { ...share, mix: fresh(share.mix) } : share)),
  });
  const step = (each: Step): Step => ({
    ...each,
    mix: each.mix === null ? null : fresh(each.mix),
    paintFor: each.paintFor.map((other): PaintFor => ('mix' in other ? { ...other, mix: fresh(other.mix) } : other)),
  });
  return {
    ...scheme,
    mixes: [...scheme.mixes, ...recipe.mixes.map(mix)],
    parts: [...scheme.parts, ...recipe.parts.map((part) => ({ ...part, steps: part.steps.map(step) }))],
  };
}
